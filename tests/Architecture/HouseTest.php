<?php

declare(strict_types=1);

namespace Tests\Architecture;

use PHPat\Selector\Selector;
use PHPat\Test\Builder\Rule;
use PHPat\Test\PHPat;

/** Who may know whom; run by PHPStan. */
final class HouseTest
{
    public function test_the_core_knows_nothing_but_php_and_itself(): Rule
    {
        return PHPat::rule()
            ->classes(Selector::inNamespace('FigPorch\Core'))
            ->shouldNot()->dependOn()
            ->classes(Selector::inNamespace('App'), Selector::inNamespace('Illuminate'), Selector::inNamespace('Carbon'), Selector::inNamespace('FigPorch\Demo'));
    }

    public function test_models_know_no_actions_queries_or_pages(): Rule
    {
        return PHPat::rule()
            ->classes(Selector::inNamespace('App\Models'))
            ->shouldNot()->dependOn()
            ->classes(Selector::inNamespace('App\Actions'), Selector::inNamespace('App\Queries'), Selector::inNamespace('App\Http'));
    }

    public function test_actions_and_queries_know_no_pages(): Rule
    {
        return PHPat::rule()
            ->classes(Selector::inNamespace('App\Actions'), Selector::inNamespace('App\Queries'))
            ->shouldNot()->dependOn()
            ->classes(Selector::inNamespace('App\Http'), Selector::inNamespace('App\View'));
    }

    public function test_queries_change_nothing(): Rule
    {
        return PHPat::rule()
            ->classes(Selector::inNamespace('App\Queries'))
            ->shouldNot()->dependOn()
            ->classes(Selector::inNamespace('App\Actions'));
    }

    public function test_controllers_write_no_sql(): Rule
    {
        return PHPat::rule()
            ->classes(Selector::inNamespace('App\Http\Controllers'))
            ->shouldNot()->dependOn()
            ->classes(Selector::classname('Illuminate\Support\Facades\DB'));
    }

    public function test_the_application_can_do_without_the_demo(): Rule
    {
        return PHPat::rule()
            ->classes(Selector::inNamespace('App\Actions'), Selector::inNamespace('App\Queries'), Selector::inNamespace('App\Models'), Selector::inNamespace('App\View'))
            ->shouldNot()->dependOn()
            ->classes(Selector::inNamespace('FigPorch\Demo'));
    }
}
