<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Http\AnswerSchema;
use App\Models\Lesson;
use Illuminate\Routing\Route as Call;
use Illuminate\Support\Facades\Log;
use Illuminate\Support\Facades\Route;

/** Answers of the API are as they are described; that every answer of every other test is, CheckAnswer sees to. */
final class AnswerSchemaTest extends FeatureTestCase
{
    public function test_nothing_is_described_that_cannot_be_called(): void
    {
        $calls = array_map(
            fn (Call $call): string => $call->methods()[0].' '.substr($call->uri(), strlen('api/')),
            Route::getRoutes()->getRoutes(),
        );

        self::assertSame([], array_diff(app(AnswerSchema::class)->described(), $calls));
    }

    public function test_what_does_not_fit_is_told(): void
    {
        $schema = app(AnswerSchema::class);
        $told = ['takes' => 3];

        self::assertNull($schema->problem('POST lessons/{lesson}/cleared-takes', (object) $told));
        self::assertStringContainsString('takes', (string) $schema->problem('POST lessons/{lesson}/cleared-takes', (object) []));
        self::assertStringContainsString(
            'more', (string) $schema->problem('POST lessons/{lesson}/cleared-takes', (object) ($told + ['more' => 1])),
        );
        self::assertStringContainsString('no description', (string) $schema->problem('GET nothing', (object) []));
    }

    public function test_a_server_in_development_writes_it_into_its_log_and_others_do_not_look(): void
    {
        $lesson = Lesson::factory()->create();
        $this->app->instance('env', 'local');
        $this->app->bind(AnswerSchema::class, fn (): never => self::fail('nobody is to look'));
        config(['app.debug' => false]);
        $this->getJson("/api/lessons/{$lesson->id}")->assertOk();

        $this->app->forgetInstance(AnswerSchema::class);
        $this->app->singleton(AnswerSchema::class);
        config(['app.debug' => true]);
        Route::get('api/odd', fn () => response()->json(['odd' => true]))->middleware('api');
        Log::shouldReceive('warning')->once()->withArgs(
            fn (string $says, array $what): bool => $what === ['call' => 'GET odd', 'problem' => 'there is no description of it'],
        );
        $this->getJson('/api/odd')->assertOk();
    }
}
