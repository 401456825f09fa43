<?php

declare(strict_types=1);

namespace Tests\Architecture;

use Illuminate\Database\Eloquent\Builder;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\Relation;
use PhpParser\Node;
use PhpParser\Node\Expr\MethodCall;
use PhpParser\Node\Identifier;
use PHPStan\Analyser\Scope;
use PHPStan\Rules\Rule;
use PHPStan\Rules\RuleErrorBuilder;
use PHPStan\Type\ObjectType;

/**
 * What answers a request leaves writing to an action.
 *
 * @implements Rule<MethodCall>
 */
final class ControllersWriteNothing implements Rule
{
    private const WRITES = [
        'attach',
        'create',
        'decrement',
        'delete',
        'detach',
        'fill',
        'firstorcreate',
        'forcedelete',
        'increment',
        'insert',
        'push',
        'save',
        'saveorfail',
        'savequietly',
        'sync',
        'touch',
        'truncate',
        'update',
        'updateorcreate',
        'updateorinsert',
        'upsert',
    ];

    public function getNodeType(): string
    {
        return MethodCall::class;
    }

    public function processNode(Node $node, Scope $scope): array
    {
        $class = $scope->getClassReflection()?->getName() ?? '';
        if (!str_ends_with($class, 'Controller') || !($node->name instanceof Identifier)) {
            return [];
        }
        if (!in_array($node->name->toLowerString(), self::WRITES, true)) {
            return [];
        }
        $on = $scope->getType($node->var);
        foreach ([Model::class, Builder::class, Relation::class] as $eloquent) {
            if ((new ObjectType($eloquent))->isSuperTypeOf($on)->yes()) {
                return [
                    RuleErrorBuilder::message("A controller writes: {$node->name->name}(). An action does that.")
                        ->identifier('house.controllerWrites')
                        ->build(),
                ];
            }
        }

        return [];
    }
}
