<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

/** What was found when a take was looked over, and what is made of its sound: silences, cleaning, shorter pauses. */
return new class extends Migration
{
    public function up(): void
    {
        Schema::table('takes', function (Blueprint $table) {
            $table->json('inspected')->nullable();
            $table->json('silences')->default('[]');
            $table->json('cleaning')->nullable();
            $table->json('flawed')->default('[]');
            $table->json('tightened')->default('[]');
        });
    }

    public function down(): void
    {
        $columns = ['inspected', 'silences', 'cleaning', 'flawed', 'tightened'];
        Schema::table('takes', fn (Blueprint $table) => $table->dropColumn($columns));
    }
};
