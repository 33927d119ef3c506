<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

return new class extends Migration
{
    public function up(): void
    {
        // A code that somebody shows, and who has typed it: gone when it is settled.
        Schema::create('pairings', function (Blueprint $table): void {
            $table->ulid('id')->primary();
            $table->foreignUlid('user_id')->nullable()->constrained()->cascadeOnDelete();
            $table->string('code', 64);
            $table->unsignedTinyInteger('wrong')->default(0);
            $table->timestamp('made_at');
            $table->string('name', 80)->nullable();
            $table->string('network', 64)->nullable();
            $table->string('token', 64)->nullable()->unique();
            $table->timestamp('asked_at')->nullable();
        });
        Schema::create('paired_devices', function (Blueprint $table): void {
            $table->ulid('id')->primary();
            $table->foreignUlid('user_id')->nullable()->constrained()->cascadeOnDelete();
            $table->string('name', 80);
            $table->string('network', 64);
            $table->string('token', 64)->unique();
            $table->timestamp('paired_at');
            $table->timestamp('used_at');
        });
    }

    public function down(): void
    {
        Schema::dropIfExists('paired_devices');
        Schema::dropIfExists('pairings');
    }
};
