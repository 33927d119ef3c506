<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

/** Captions as a person wants them: kept by the words they stand for. */
return new class extends Migration
{
    public function up(): void
    {
        Schema::create('set_captions', function (Blueprint $table): void {
            $table->ulid('id')->primary();
            $table->foreignUlid('lesson_id')->constrained()->cascadeOnDelete();
            // No key: what was set for a line that is gone comes back with it.
            $table->string('line_id', 26);
            $table->unsignedInteger('word');
            $table->text('was');
            $table->json('rows');
            $table->boolean('checked');
            $table->timestamps();
            $table->index(['lesson_id', 'line_id']);
        });
    }

    public function down(): void
    {
        Schema::dropIfExists('set_captions');
    }
};
