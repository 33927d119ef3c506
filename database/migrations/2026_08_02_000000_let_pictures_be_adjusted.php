<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

/** How a take's camera is brightened, warmed and so on in the film. */
return new class extends Migration
{
    public function up(): void
    {
        Schema::table('takes', fn (Blueprint $table) => $table->json('adjustment')->nullable());
    }

    public function down(): void
    {
        Schema::table('takes', fn (Blueprint $table) => $table->dropColumn('adjustment'));
    }
};
