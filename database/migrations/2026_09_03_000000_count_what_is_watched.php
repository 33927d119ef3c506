<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

/** How often each few seconds of a published film were seen: numbers only. */
return new class extends Migration
{
    public function up(): void
    {
        Schema::create('watched', function (Blueprint $table): void {
            $table->foreignUlid('version_id')->constrained()->cascadeOnDelete();
            $table->unsignedInteger('part');
            $table->unsignedInteger('times');
            $table->primary(['version_id', 'part']);
        });
    }

    public function down(): void
    {
        Schema::dropIfExists('watched');
    }
};
