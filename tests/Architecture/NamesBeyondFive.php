<?php

declare(strict_types=1);

namespace Tests\Architecture;

use App\Catalogue\BitmapIndex\MemoryFunctions;
use PhpParser\Node;
use PhpParser\Node\Arg;
use PhpParser\Node\Expr\CallLike;
use PhpParser\Node\Expr\FuncCall;
use PhpParser\Node\Expr\MethodCall;
use PhpParser\Node\Expr\New_;
use PhpParser\Node\Expr\StaticCall;
use PhpParser\Node\Identifier;
use PhpParser\Node\Name;
use PHPStan\Analyser\Scope;
use PHPStan\Reflection\ExtendedMethodReflection;
use PHPStan\Rules\Rule;
use PHPStan\Rules\RuleErrorBuilder;
use PHPStan\Type\ObjectType;

/**
 * Whoever hands our own code more than five values says by name what they are.
 *
 * @implements Rule<CallLike>
 */
final class NamesBeyondFive implements Rule
{
    private const MOST = 5;

    public function getNodeType(): string
    {
        return CallLike::class;
    }

    public function processNode(Node $node, Scope $scope): array
    {
        if ($node->isFirstClassCallable()) {
            return [];
        }
        $unnamed = array_filter($node->getArgs(), fn(Arg $arg): bool => $arg->name === null && !$arg->unpack);
        $method = count($unnamed) > self::MOST ? $this->method($node, $scope) : null;
        $file = $method?->getDeclaringClass()->getFileName();
        // The functions of C have no names for theirs.
        $isOurs = $file !== null && !str_contains($file, '/vendor/');
        if ($method === null || !$isOurs || $method->getDeclaringClass()->getName() === MemoryFunctions::class) {
            return [];
        }
        $names = [];
        foreach ($method->getVariants()[0]->getParameters() as $parameter) {
            // As many as one likes of the same kind have no names.
            $parameter->isVariadic() || ($names[] = $parameter->getName());
        }
        if (count($names) <= self::MOST) {
            return [];
        }

        return [
            RuleErrorBuilder::message('More than five values: name them (' . implode(', ', $names) . ').')
                ->identifier('figporch.unnamed')
                ->build(),
        ];
    }

    private function method(CallLike $node, Scope $scope): ?ExtendedMethodReflection
    {
        [$type, $name] = match (true) {
            $node instanceof MethodCall && $node->name instanceof Identifier => [
                $scope->getType($node->var),
                $node->name->toString(),
            ],
            $node instanceof StaticCall && $node->class instanceof Name && $node->name instanceof Identifier => [
                new ObjectType($scope->resolveName($node->class)),
                $node->name->toString(),
            ],
            $node instanceof New_ && $node->class instanceof Name => [
                new ObjectType($scope->resolveName($node->class)),
                '__construct',
            ],
            $node instanceof FuncCall && !($node->name instanceof Name) => [$scope->getType($node->name), '__invoke'],
            default => [null, ''],
        };

        return $type === null ? null : $scope->getMethodReflection($type, $name);
    }
}
