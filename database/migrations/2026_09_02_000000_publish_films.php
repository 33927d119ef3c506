<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

/** Films on the course site, each lesson behind one link, and what viewers say of them. */
return new class extends Migration
{
    public function up(): void
    {
        Schema::create('publications', function (Blueprint $table): void {
            $table->ulid('id')->primary();
            $table->foreignUlid('lesson_id')->unique()->constrained()->cascadeOnDelete();
            $table->string('token', 40)->unique();
            $table->string('password')->nullable();
            $table->date('ends_on')->nullable();
            $table->timestamp('withdrawn_at')->nullable();
            $table->timestamps();
        });
        Schema::create('versions', function (Blueprint $table): void {
            $table->ulid('id')->primary();
            $table->foreignUlid('publication_id')->constrained()->cascadeOnDelete();
            $table->foreignUlid('export_id')->constrained();
            $table->unsignedInteger('number');
            $table->text('note');
            $table->timestamps();
            $table->unique(['publication_id', 'number']);
        });
        Schema::create('comments', function (Blueprint $table): void {
            $table->ulid('id')->primary();
            $table->foreignUlid('publication_id')->constrained()->cascadeOnDelete();
            $table->foreignUlid('answers')->nullable()->constrained('comments')->cascadeOnDelete();
            $table->unsignedInteger('version');
            $table->unsignedInteger('at_ms');
            // No keys: a remark outlives the line it is about.
            $table->string('section_id', 26)->nullable();
            $table->string('line_id', 26)->nullable();
            $table->text('line_text');
            $table->string('name', 60);
            $table->boolean('by_presenter')->default(false);
            $table->text('text');
            $table->timestamp('done_at')->nullable();
            $table->unsignedInteger('done_in')->nullable();
            $table->timestamp('hidden_at')->nullable();
            $table->timestamps();
        });
    }

    public function down(): void
    {
        Schema::dropIfExists('comments');
        Schema::dropIfExists('versions');
        Schema::dropIfExists('publications');
    }
};
