<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

/**
 * Reads that went wrong, markers, cues given while recording, and which part of camera and screen is shown. Takes of before
 * have none of these.
 */
return new class extends Migration
{
    public function up(): void
    {
        Schema::table('takes', function (Blueprint $table) {
            $table->json('fluffs')->default('[]');
            $table->json('markers')->default('[]');
            $table->json('given')->default('[]');
            $table->json('framing')->nullable();
            $table->json('area')->nullable();
            $table->unsignedBigInteger('event_bytes')->default(0);
        });
        Schema::table('tracks', function (Blueprint $table) {
            // A file may begin before its take does.
            $table->bigInteger('offset_ticks')->default(0)->change();
        });
    }

    public function down(): void
    {
        $columns = ['fluffs', 'markers', 'given', 'framing', 'area', 'event_bytes'];
        Schema::table('takes', fn (Blueprint $table) => $table->dropColumn($columns));
    }
};
