<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

/** A draft is a film in which a stand-in voice reads what is not recorded yet. */
return new class extends Migration
{
    public function up(): void
    {
        Schema::table('exports', fn (Blueprint $table) => $table->boolean('draft')->default(false));
    }

    public function down(): void
    {
        Schema::table('exports', fn (Blueprint $table) => $table->dropColumn('draft'));
    }
};
