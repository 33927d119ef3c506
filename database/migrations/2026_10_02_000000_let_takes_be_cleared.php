<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

/** Takes that were set aside and then cleared: for some time they can be brought back as they were. */
return new class extends Migration
{
    public function up(): void
    {
        Schema::create('cleared_takes', function (Blueprint $table): void {
            $table->ulid('id')->primary();
            $table->foreignUlid('lesson_id')->constrained()->cascadeOnDelete();
            // Its number is never given again.
            $table->string('recorded_in', 26)->nullable()->index();
            $table->unsignedInteger('number');
            $table->unsignedBigInteger('bytes');
            $table->text('record');
            $table->timestamp('cleared_at')->index();
        });
    }

    public function down(): void
    {
        Schema::dropIfExists('cleared_takes');
    }
};
