<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

/** Captions, chapters and transcript of a film, as they were when it was made. */
return new class extends Migration
{
    public function up(): void
    {
        Schema::table('exports', fn (Blueprint $table) => $table->json('beside')->nullable());
    }

    public function down(): void
    {
        Schema::table('exports', fn (Blueprint $table) => $table->dropColumn('beside'));
    }
};
