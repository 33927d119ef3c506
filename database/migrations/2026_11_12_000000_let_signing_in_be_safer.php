<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

/** One-time codes, passwords that are chosen anew by mail, and who is known to a provider. */
return new class extends Migration
{
    public function up(): void
    {
        Schema::table('users', function (Blueprint $table): void {
            $table->text('code_secret')->nullable();
            $table->unsignedBigInteger('code_step')->default(0);
            $table->text('spare_codes')->nullable();
            $table->string('openid_subject')->nullable()->unique();
        });
        Schema::create('password_reset_tokens', function (Blueprint $table): void {
            $table->string('email')->primary();
            $table->string('token');
            $table->timestamp('created_at')->nullable();
        });
    }

    public function down(): void
    {
        Schema::dropIfExists('password_reset_tokens');
        Schema::table('users', function (Blueprint $table): void {
            $table->dropUnique(['openid_subject']);
            $table->dropColumn(['code_secret', 'code_step', 'spare_codes', 'openid_subject']);
        });
    }
};
