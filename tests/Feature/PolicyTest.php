<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Http\Middleware\Authorize;
use App\Models\Lesson;
use App\Models\Membership;
use App\Models\Notice;
use App\Models\User;
use App\Policies\OwnPolicy;
use App\Policies\PlacePolicy;
use Illuminate\Contracts\Http\Kernel;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Foundation\Http\FormRequest;
use Illuminate\Http\Request;
use Illuminate\Routing\Route as One;
use Illuminate\Support\Facades\Gate;
use Illuminate\Support\Facades\Route;
use OpenReel\Core\People\Right;

/** Who may do what is asked of policies: every model has one, and every route that names a model asks it. */
final class PolicyTest extends PeopleTestCase
{
    public function test_every_model_has_a_policy_for_every_right_that_routes_ask_for(): void
    {
        $models = 0;
        foreach (glob(app_path('Models/*.php')) ?: [] as $file) {
            /** @var class-string $class */
            $class = 'App\\Models\\'.basename($file, '.php');
            if (! is_subclass_of($class, Model::class)) {
                continue;
            }
            $policy = Gate::getPolicyFor($class);
            self::assertTrue($policy instanceof PlacePolicy || $policy instanceof OwnPolicy, $class);
            foreach ($policy instanceof OwnPolicy ? [Right::See, Right::Write] : Right::cases() as $right) {
                self::assertTrue(method_exists($policy, $right->value), "{$class}: {$right->value}");
            }
            $models++;
        }
        self::assertGreaterThan(20, $models);
    }

    public function test_every_route_that_names_a_model_asks_its_policy(): void
    {
        app(Kernel::class);
        $asked = 0;
        /** @var One $route */
        foreach (Route::getRoutes()->getRoutes() as $route) {
            if (! str_starts_with($route->uri(), 'api/')) {
                continue;
            }
            self::assertContains(Authorize::class, app('router')->gatherRouteMiddleware($route), $route->uri());
            $asked += str_contains($route->uri(), '{') ? 1 : 0;
        }
        self::assertGreaterThan(80, $asked);
    }

    public function test_strangers_find_nothing_and_others_are_told_what_their_role_does_not_do(): void
    {
        config(['reel.mode' => 'people']);
        [$owner, $reviewer, $stranger] = array_map(fn (string $name): User => User::query()->create([
            'name' => $name, 'email' => "{$name}@saltmarsh.example", 'password' => 'x',
        ]), ['owner', 'reviewer', 'stranger']);
        $lesson = Lesson::factory()->create();
        foreach ([['owner', $owner], ['reviewer', $reviewer]] as [$role, $person]) {
            Membership::query()->updateOrCreate(['user_id' => $person->id, 'lesson_id' => $lesson->id], ['role' => $role]);
        }
        $answer = fn (?User $who, Right $right): array => [
            ($told = Gate::forUser($who)->inspect($right->value, $lesson))->allowed(), $told->status(), $told->message(),
        ];
        self::assertTrue($answer($owner, Right::Own)[0]);
        self::assertTrue($answer($reviewer, Right::Comment)[0]);
        self::assertSame([false, null, Right::Write->refusal()], $answer($reviewer, Right::Write));
        self::assertSame([false, 404], array_slice($answer($stranger, Right::See), 0, 2));
        self::assertSame([false, 404], array_slice($answer(null, Right::See), 0, 2));
        $notice = (new Notice())->forceFill(['user_id' => $owner->id]);
        self::assertTrue(Gate::forUser($owner)->inspect('see', $notice)->allowed());
        self::assertSame(404, Gate::forUser($reviewer)->inspect('see', $notice)->status());

        config(['reel.mode' => 'me']);
        self::assertTrue($answer(null, Right::Own)[0]);
    }

    public function test_every_write_says_in_a_request_of_its_own_what_it_takes(): void
    {
        $asked = 0;
        /** @var One $route */
        foreach (Route::getRoutes()->getRoutes() as $route) {
            $isWrite = array_intersect($route->methods(), ['POST', 'PUT', 'PATCH']) !== [];
            if (! str_starts_with($route->uri(), 'api/') || ! $isWrite) {
                continue;
            }
            [$controller, $method] = explode('@', (string) $route->getAction('uses')) + [1 => '__invoke'];
            foreach ((new \ReflectionMethod($controller, $method))->getParameters() as $parameter) {
                $type = $parameter->getType();
                $name = $type instanceof \ReflectionNamedType ? $type->getName() : '';
                if (is_a($name, Request::class, true)) {
                    self::assertTrue(is_a($name, FormRequest::class, true), "{$route->uri()} ({$controller}@{$method})");
                    $asked++;
                }
            }
        }
        self::assertGreaterThan(40, $asked);
    }
}
