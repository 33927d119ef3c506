<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

/** Pictures of a slide that builds up step by step, and the film of one that moves. */
return new class extends Migration
{
    public function up(): void
    {
        Schema::table('slides', function (Blueprint $table) {
            $table->json('steps')->default('[]');
            $table->json('film')->nullable();
        });
    }

    public function down(): void
    {
        Schema::table('slides', fn (Blueprint $table) => $table->dropColumn(['steps', 'film']));
    }
};
