<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

/** When a take comes to places inside its lines. */
return new class extends Migration
{
    public function up(): void
    {
        Schema::table('takes', fn (Blueprint $table) => $table->json('reached')->default('[]'));
    }

    public function down(): void
    {
        Schema::table('takes', fn (Blueprint $table) => $table->dropColumn(['reached']));
    }
};
