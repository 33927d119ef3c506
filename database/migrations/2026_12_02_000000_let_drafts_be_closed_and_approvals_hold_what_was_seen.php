<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Schema;

/** Who may open a draft, what an approval was given for and by whom not, and comments that wait to be looked at. */
return new class extends Migration
{
    public function up(): void
    {
        Schema::table('publications', fn (Blueprint $table) => $table->boolean('open_to_links')->default(false));
        Schema::table('versions', fn (Blueprint $table) => $table->string('user_id', 26)->nullable());
        Schema::table('exports', fn (Blueprint $table) => $table->string('made_of', 64)->nullable());
        Schema::table('approvals', fn (Blueprint $table) => $table->string('made_of', 64)->nullable());
        Schema::table('comments', fn (Blueprint $table) => $table->timestamp('held_at')->nullable());
        // Links that are out stay open, unless what is published is closed in some way: then somebody meant it to be.
        $closed = DB::table('publications')->where('for_review', false)->where(
            fn ($any) => $any->whereNotNull('password')->orWhereNotNull('withdrawn_at')->orWhereNotNull('ends_on'),
        );
        DB::table('publications')->where('for_review', true)->whereNotIn('lesson_id', $closed->select('lesson_id'))
            ->update(['open_to_links' => true]);
    }

    public function down(): void
    {
        Schema::table('publications', fn (Blueprint $table) => $table->dropColumn('open_to_links'));
        Schema::table('versions', fn (Blueprint $table) => $table->dropColumn('user_id'));
        Schema::table('exports', fn (Blueprint $table) => $table->dropColumn('made_of'));
        Schema::table('approvals', fn (Blueprint $table) => $table->dropColumn('made_of'));
        Schema::table('comments', fn (Blueprint $table) => $table->dropColumn('held_at'));
    }
};
