<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Schema;

/**
 * Takes say how their colours are meant, how much silence the script asked for, and whether what came from the recorder is
 * still there.
 */
return new class extends Migration
{
    public function up(): void
    {
        Schema::table('takes', function (Blueprint $table) {
            $table->string('colour_range')->nullable();
            $table->string('colour_matrix')->nullable();
            $table->unsignedInteger('silence_ms')->default(0);
            $table->boolean('recording_kept')->default(true);
            $table->index(['state', 'recording_kept']);
        });
        // Until now a recording was removed as soon as the take was ready.
        DB::table('takes')
            ->where('state', 'ready')
            ->update(['recording_kept' => false]);
    }
};
