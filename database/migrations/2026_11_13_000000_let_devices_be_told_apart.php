<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

return new class extends Migration
{
    public function up(): void
    {
        Schema::create('devices', function (Blueprint $table): void {
            $table->ulid('id')->primary();
            $table->foreignUlid('user_id')->constrained()->cascadeOnDelete();
            $table->string('name');
            $table->string('token')->nullable();
            $table->string('mark');
            $table->timestamp('used_at');
            $table->timestamps();
        });
        Schema::table('users', fn (Blueprint $table) => $table->dropColumn(['epoch', 'remember_token']));
    }

    public function down(): void
    {
        Schema::table('users', function (Blueprint $table): void {
            $table->unsignedInteger('epoch')->default(0);
            $table->rememberToken();
        });
        Schema::drop('devices');
    }
};
