<?php

declare(strict_types=1);

namespace Tests\Architecture;

use Illuminate\Foundation\Http\FormRequest;
use PHPat\Selector\Selector;
use PHPat\Selector\SelectorInterface;
use PHPat\Test\Attributes\TestRule;
use PHPat\Test\Builder\Rule;
use PHPat\Test\PHPat;

/** Who may know whom (docs/architecture.md); run by PHPStan. */
final class HouseTest
{
    /** Each area knows those before it, and none after it: so there are no circles. */
    private const AREAS = ['Account', 'Lending', 'Catalogue', 'Reading', 'Exchange', 'Desk'];

    public function test_the_core_knows_nothing_but_php_and_itself(): Rule
    {
        return PHPat::rule()
            ->classes(Selector::inNamespace('FigPorch\Core'))
            ->shouldNot()
            ->dependOn()
            ->classes(
                Selector::inNamespace('App'),
                Selector::inNamespace('Illuminate'),
                Selector::inNamespace('Carbon'),
                Selector::inNamespace('FigPorch\Demo'),
            );
    }

    public function test_models_and_what_is_shared_know_no_area(): Rule
    {
        return PHPat::rule()
            ->classes(Selector::inNamespace('App\Models'), Selector::inNamespace('App\Shared'))
            ->shouldNot()
            ->dependOn()
            ->classes(...array_map(self::area(...), self::AREAS));
    }

    public function test_models_know_nothing_of_what_is_shared(): Rule
    {
        return PHPat::rule()
            ->classes(Selector::inNamespace('App\Models'))
            ->shouldNot()
            ->dependOn()
            ->classes(Selector::inNamespace('App\Shared'));
    }

    /** @return iterable<Rule> */
    #[TestRule]
    public function areas_know_only_those_before_them(): iterable
    {
        foreach (array_slice(self::AREAS, 0, -1) as $i => $area) {
            yield $area => PHPat::rule()
                ->classes(self::area($area))
                ->shouldNot()
                ->dependOn()
                ->classes(...array_map(self::area(...), array_slice(self::AREAS, $i + 1)));
        }
    }

    /**
     * What answers the web or a command line is for nobody else to call.
     *
     * @return iterable<Rule>
     */
    #[TestRule]
    public function areas_reach_others_by_actions_queries_and_values(): iterable
    {
        foreach (self::AREAS as $area) {
            yield $area => PHPat::rule()
                ->classes(self::area($area))
                ->shouldNot()
                ->dependOn()
                ->classes(
                    ...array_map(
                        fn(string $other): SelectorInterface => Selector::AllOf(
                            self::area($other),
                            Selector::AnyOf(
                                Selector::classname('/(Controller|Command|Policy|ServiceProvider)$/', true),
                                Selector::extends(FormRequest::class),
                            ),
                        ),
                        array_values(array_diff(self::AREAS, [$area])),
                    ),
                );
        }
    }

    public function test_controllers_write_no_sql(): Rule
    {
        return PHPat::rule()
            ->classes(Selector::classname('/^App\\\\.*Controller$/', true))
            ->shouldNot()
            ->dependOn()
            ->classes(Selector::classname('Illuminate\Support\Facades\DB'));
    }

    public function test_actions_and_queries_know_no_pages(): Rule
    {
        return PHPat::rule()
            ->classes(
                Selector::AllOf(
                    Selector::inNamespace('App'),
                    Selector::Not(Selector::classname('/(Controller|ServiceProvider)$/', true)),
                ),
            )
            ->shouldNot()
            ->dependOn()
            ->classes(Selector::classname('/^App\\\\.*Controller$/', true));
    }

    public function test_the_application_can_do_without_the_demo(): Rule
    {
        return PHPat::rule()
            ->classes(Selector::inNamespace('App'))
            ->shouldNot()
            ->dependOn()
            ->classes(Selector::inNamespace('FigPorch\Demo'));
    }

    private static function area(string $name): SelectorInterface
    {
        return Selector::inNamespace("App\\{$name}");
    }
}
