<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

/** Films of other sizes, shapes and formats; and which of them were asked for together. */
return new class extends Migration
{
    public function up(): void
    {
        Schema::table('exports', function (Blueprint $table): void {
            // A film made before this is as its lesson is: MP4, in its own frame.
            $table->text('edition')->default('{}');
            $table->string('batch', 40)->nullable();
            $table->unsignedInteger('revision')->nullable();
        });
    }

    public function down(): void
    {
        Schema::table('exports', function (Blueprint $table): void {
            $table->dropColumn(['edition', 'batch', 'revision']);
        });
    }
};
