<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

/** Music that is removed can be brought back. */
return new class extends Migration
{
    public function up(): void
    {
        Schema::table('music', fn (Blueprint $table) => $table->softDeletes());
    }

    public function down(): void
    {
        Schema::table('music', fn (Blueprint $table) => $table->dropSoftDeletes());
    }
};
