<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

/** What was heard in a take, and when it comes to places inside its lines. Takes of before are listened to in the background. */
return new class extends Migration
{
    public function up(): void
    {
        Schema::table('takes', function (Blueprint $table) {
            $table->json('reached')->default('[]');
            $table->string('hearing')->nullable()->index();
            $table->json('heard')->nullable();
            $table->json('spoken')->nullable();
            $table->json('left')->default('[]');
            $table->json('cuts')->default('[]');
        });
    }

    public function down(): void
    {
        $columns = ['reached', 'hearing', 'heard', 'spoken', 'left', 'cuts'];
        Schema::table('takes', fn (Blueprint $table) => $table->dropIndex(['hearing']));
        Schema::table('takes', fn (Blueprint $table) => $table->dropColumn($columns));
    }
};
