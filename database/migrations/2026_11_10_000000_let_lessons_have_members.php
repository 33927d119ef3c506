<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Schema;
use Illuminate\Support\Str;

/** Who takes part in which lesson or course, invitations to do so, and who did what. */
return new class extends Migration
{
    public function up(): void
    {
        Schema::create('memberships', function (Blueprint $table): void {
            $table->ulid('id')->primary();
            $table->foreignUlid('user_id')->constrained()->cascadeOnDelete();
            $table->foreignUlid('lesson_id')->nullable()->constrained()->cascadeOnDelete();
            $table->foreignUlid('course_id')->nullable()->constrained()->cascadeOnDelete();
            $table->string('role');
            $table->timestamps();
            $table->unique(['user_id', 'lesson_id']);
            $table->unique(['user_id', 'course_id']);
            $table->index('lesson_id');
            $table->index('course_id');
        });
        Schema::create('invitations', function (Blueprint $table): void {
            $table->ulid('id')->primary();
            $table->string('token_hash')->unique();
            $table->foreignUlid('lesson_id')->nullable()->constrained()->cascadeOnDelete();
            $table->foreignUlid('course_id')->nullable()->constrained()->cascadeOnDelete();
            $table->foreignUlid('invited_by')->constrained('users')->cascadeOnDelete();
            $table->string('role');
            $table->timestamp('ends_at');
            $table->timestamps();
        });
        // Nothing here refers to what it tells of: it stays when that is gone.
        Schema::create('history', function (Blueprint $table): void {
            $table->ulid('id')->primary();
            $table->string('lesson_id')->nullable()->index();
            $table->string('course_id')->nullable()->index();
            $table->string('user_id')->nullable();
            $table->string('person')->nullable();
            $table->string('deed');
            $table->text('about');
            $table->timestamp('created_at')->index();
        });
        Schema::table('takes', fn (Blueprint $table) => $table->string('user_id')->nullable());
        Schema::table('arrivals', fn (Blueprint $table) => $table->string('user_id')->nullable());
        Schema::table('users', fn (Blueprint $table) => $table->unsignedInteger('epoch')->default(0));
        $this->keepForAll();
    }

    public function down(): void
    {
        Schema::table('users', fn (Blueprint $table) => $table->dropColumn('epoch'));
        Schema::table('arrivals', fn (Blueprint $table) => $table->dropColumn('user_id'));
        Schema::table('takes', fn (Blueprint $table) => $table->dropColumn('user_id'));
        foreach (['history', 'invitations', 'memberships'] as $table) {
            Schema::dropIfExists($table);
        }
    }

    /** Until now everybody who signed in could do everything: they still can, with what there is. */
    private function keepForAll(): void
    {
        foreach (['lesson_id' => 'lessons', 'course_id' => 'courses'] as $key => $table) {
            $pairs = DB::table('users')->crossJoin($table)->select(['users.id as user', "{$table}.id as place"])->get();
            foreach ($pairs as $pair) {
                DB::table('memberships')->insert([
                    'id' => strtolower((string) Str::ulid()), 'user_id' => $pair->user, $key => $pair->place, 'role' => 'owner',
                    'created_at' => now(), 'updated_at' => now(),
                ]);
            }
        }
    }
};
