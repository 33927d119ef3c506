<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

/** Archives of lessons and courses on their way in. */
return new class extends Migration
{
    public function up(): void
    {
        Schema::create('arrivals', function (Blueprint $table): void {
            $table->ulid('id')->primary();
            $table->string('name');
            $table->string('path');
            $table->string('state');
            $table->boolean('whole')->default(false);
            $table->unsignedInteger('next_chunk')->default(0);
            $table->unsignedBigInteger('bytes')->default(0);
            $table->unsignedBigInteger('done')->default(0);
            $table->unsignedBigInteger('total')->default(0);
            $table->string('problem')->nullable();
            $table->text('made');
            $table->timestamps();
        });
    }

    public function down(): void
    {
        Schema::dropIfExists('arrivals');
    }
};
