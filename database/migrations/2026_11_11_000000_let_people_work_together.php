<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

/** Drafts for review and approvals, who is where, and what people are told. */
return new class extends Migration
{
    public function up(): void
    {
        Schema::table('publications', function (Blueprint $table): void {
            $table->boolean('for_review')->default(false);
            $table->dropUnique(['lesson_id']);
            $table->unique(['lesson_id', 'for_review']);
        });
        Schema::table('lessons', function (Blueprint $table): void {
            $table->boolean('needs_approval')->default(false);
            $table->unsignedBigInteger('changes')->default(0);
        });
        Schema::create('approvals', function (Blueprint $table): void {
            $table->ulid('id')->primary();
            $table->foreignUlid('lesson_id')->constrained()->cascadeOnDelete();
            $table->foreignUlid('version_id')->constrained()->cascadeOnDelete();
            // Whoever approved it did so also when they are gone.
            $table->string('user_id');
            $table->string('person');
            $table->unsignedInteger('revision');
            $table->timestamps();
            $table->unique(['version_id', 'user_id']);
        });
        Schema::create('presences', function (Blueprint $table): void {
            $table->string('window', 40)->primary();
            $table->foreignUlid('lesson_id')->constrained()->cascadeOnDelete();
            $table->foreignUlid('user_id')->constrained()->cascadeOnDelete();
            $table->string('room', 20);
            $table->string('section_id', 26)->nullable();
            $table->boolean('recording');
            $table->unsignedBigInteger('seen_ms');
        });
        Schema::create('notices', function (Blueprint $table): void {
            $table->ulid('id')->primary();
            $table->foreignUlid('user_id')->constrained()->cascadeOnDelete();
            $table->text('says');
            $table->string('path');
            $table->timestamp('read_at')->nullable();
            $table->timestamp('mailed_at')->nullable();
            $table->timestamp('created_at');
            $table->index(['user_id', 'read_at']);
        });
        Schema::table('users', function (Blueprint $table): void {
            $table->boolean('wants_mail')->default(true);
            $table->timestamp('mailed_at')->nullable();
        });
    }

    public function down(): void
    {
        Schema::table('users', fn (Blueprint $table) => $table->dropColumn(['wants_mail', 'mailed_at']));
        foreach (['notices', 'presences', 'approvals'] as $table) {
            Schema::dropIfExists($table);
        }
        Schema::table('lessons', fn (Blueprint $table) => $table->dropColumn(['needs_approval', 'changes']));
        Schema::table('publications', function (Blueprint $table): void {
            $table->dropUnique(['lesson_id', 'for_review']);
            $table->dropColumn('for_review');
            $table->unique(['lesson_id']);
        });
    }
};
