<?php

declare(strict_types=1);

namespace Tests\Architecture;

use PHPat\Selector\Selector;
use PHPat\Test\Builder\Rule;
use PHPat\Test\PHPat;

/** Which folder may call which. Checked by PHPStan. */
final class ArrowsTest
{
    public function test_the_core_reaches_nothing_outside_itself(): Rule
    {
        return PHPat::rule()
            ->classes(Selector::inNamespace('OpenReel\Core'))
            ->canOnlyDependOn()
            ->classes(
                Selector::inNamespace('OpenReel\Core'),
                Selector::classname(
                    '/^(DomainException|Closure|IntlBreakIterator|IntlPartsIterator|NumberFormatter|BackedEnum|UnitEnum|'.
                        'Stringable|Throwable|TypeError|ValueError|stdClass|DateTimeImmutable)$/',
                    true,
                ),
            )
            ->because('rules stay free of framework, database and outside programs');
    }

    public function test_media_adapters_do_not_know_the_interface(): Rule
    {
        return PHPat::rule()
            ->classes(Selector::inNamespace('App\Media'))
            ->shouldNotDependOn()
            ->classes(
                Selector::inNamespace('App\Http'),
                Selector::inNamespace('App\Models'),
                Selector::inNamespace('App\Actions'),
                Selector::inNamespace('App\Readers'),
            )
            ->because('rendering needs the media disk and nothing else');
    }

    public function test_actions_do_not_know_how_they_are_asked(): Rule
    {
        return PHPat::rule()
            ->classes(
                Selector::inNamespace('App\Actions'),
                Selector::inNamespace('App\Readers'),
                Selector::inNamespace('App\Work'),
            )
            ->shouldNotDependOn()
            ->classes(
                Selector::inNamespace('App\Http'),
                Selector::inNamespace('App\Console'),
                Selector::inNamespace('Illuminate\Http'),
            )
            ->because('the same action is asked by the interface, by jobs and by the command line');
    }

    public function test_models_hold_no_rules(): Rule
    {
        return PHPat::rule()
            ->classes(Selector::inNamespace('App\Models'))
            ->shouldNotDependOn()
            ->classes(Selector::inNamespace('App\Actions'), Selector::inNamespace('App\Http'), Selector::inNamespace('App\Media'))
            ->because('models are relations and casts');
    }
}
