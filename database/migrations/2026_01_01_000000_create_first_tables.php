<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

return new class extends Migration
{
    public function up(): void
    {
        Schema::create('lessons', function (Blueprint $table) {
            $table->ulid('id')->primary();
            $table->string('title');
            $table->unsignedSmallInteger('width');
            $table->unsignedSmallInteger('height');
            $table->unsignedSmallInteger('fps');
            $table->timestamps();
            $table->softDeletes();
        });

        Schema::create('slides', function (Blueprint $table) {
            $table->ulid('id')->primary();
            $table->foreignUlid('lesson_id')->constrained()->cascadeOnDelete();
            $table->string('name');
            $table->string('path');
            $table->string('mime');
            $table->char('hash', 64);
            $table->unsignedInteger('width');
            $table->unsignedInteger('height');
            $table->timestamps();
        });

        Schema::create('sections', function (Blueprint $table) {
            $table->ulid('id')->primary();
            $table->foreignUlid('lesson_id')->constrained()->cascadeOnDelete();
            $table->foreignUlid('slide_id')->nullable()->constrained()->nullOnDelete();
            $table->unsignedInteger('position');
            $table->string('heading');
            $table->text('script');
            $table->string('layout');
            $table->string('inset_corner');
            $table->string('inset_size');
            $table->timestamps();
            $table->softDeletes();
            $table->index(['lesson_id', 'position']);
        });

        Schema::create('takes', function (Blueprint $table) {
            $table->ulid('id')->primary();
            $table->foreignUlid('section_id')->constrained()->cascadeOnDelete();
            $table->unsignedInteger('number');
            $table->string('state');
            $table->string('verdict');
            $table->string('problem')->nullable();
            $table->unsignedBigInteger('length_ticks')->default(0);
            $table->unsignedBigInteger('speech_from')->nullable();
            $table->unsignedBigInteger('speech_until')->nullable();
            $table->unsignedBigInteger('used_from')->nullable();
            $table->unsignedBigInteger('used_until')->nullable();
            $table->json('flags');
            $table->unsignedInteger('camera_width')->nullable();
            $table->unsignedInteger('camera_height')->nullable();
            $table->string('media_path')->nullable();
            $table->string('media_mime')->nullable();
            $table->char('media_hash', 64)->nullable();
            $table->string('sound_path')->nullable();
            $table->char('sound_hash', 64)->nullable();
            $table->float('loudness')->nullable();
            $table->timestamps();
            $table->unique(['section_id', 'number']);
        });

        Schema::create('tracks', function (Blueprint $table) {
            $table->ulid('id')->primary();
            $table->foreignUlid('take_id')->constrained()->cascadeOnDelete();
            $table->string('kind');
            $table->string('mime');
            $table->string('path');
            $table->unsignedInteger('next_chunk')->default(0);
            $table->unsignedBigInteger('bytes')->default(0);
            $table->timestamps();
            $table->unique(['take_id', 'kind']);
        });

        Schema::create('exports', function (Blueprint $table) {
            $table->ulid('id')->primary();
            $table->foreignUlid('lesson_id')->constrained()->cascadeOnDelete();
            $table->string('state');
            $table->string('file_name');
            $table->string('path')->nullable();
            $table->unsignedBigInteger('bytes')->nullable();
            $table->unsignedBigInteger('frames')->default(0);
            $table->char('plan_hash', 64)->nullable();
            $table->float('progress')->default(0);
            $table->string('doing')->nullable();
            $table->string('problem')->nullable();
            $table->json('findings');
            $table->timestamp('started_at')->nullable();
            $table->timestamp('finished_at')->nullable();
            $table->timestamps();
            $table->index(['lesson_id', 'created_at']);
        });

        Schema::create('jobs', function (Blueprint $table) {
            $table->id();
            $table->string('queue')->index();
            $table->longText('payload');
            $table->unsignedTinyInteger('attempts');
            $table->unsignedInteger('reserved_at')->nullable();
            $table->unsignedInteger('available_at');
            $table->unsignedInteger('created_at');
        });

        Schema::create('failed_jobs', function (Blueprint $table) {
            $table->id();
            $table->string('uuid')->unique();
            $table->text('connection');
            $table->text('queue');
            $table->longText('payload');
            $table->longText('exception');
            $table->timestamp('failed_at')->useCurrent();
        });
    }
};
