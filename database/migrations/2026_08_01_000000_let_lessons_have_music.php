<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

/** Music that was brought in: for a course, or for a lesson that has none. */
return new class extends Migration
{
    public function up(): void
    {
        Schema::create('music', function (Blueprint $table): void {
            $table->ulid('id')->primary();
            $table->foreignUlid('course_id')->nullable()->index();
            $table->foreignUlid('lesson_id')->nullable()->index();
            $table->string('name');
            $table->string('hash');
            $table->string('path');
            $table->string('loop_hash');
            $table->string('loop_path');
            $table->unsignedBigInteger('loop_from');
            $table->unsignedBigInteger('samples');
            $table->float('lufs');
            $table->timestamps();
        });
    }

    public function down(): void
    {
        Schema::dropIfExists('music');
    }
};
