<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

/** Captions in other languages, kept by the words they are for. */
return new class extends Migration
{
    public function up(): void
    {
        Schema::create('translations', function (Blueprint $table): void {
            $table->ulid('id')->primary();
            $table->foreignUlid('lesson_id')->constrained()->cascadeOnDelete();
            $table->string('language', 12);
            // No key: a translation outlives the line it is for, which may come back.
            $table->string('line_id', 26);
            $table->unsignedInteger('word');
            $table->text('was');
            $table->text('text');
            $table->timestamps();
            $table->index(['lesson_id', 'language']);
        });
    }

    public function down(): void
    {
        Schema::dropIfExists('translations');
    }
};
