<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Schema;
use Illuminate\Support\Str;

/**
 * What is known of a take's files belongs to its tracks; the used part of a take is a list of stretches; which take speaks a
 * line can be chosen. Files stay where they are.
 */
return new class extends Migration
{
    public function up(): void
    {
        Schema::table('tracks', function (Blueprint $table) {
            // A track that came inside another one's recording has none of its own.
            $table->string('mime')->nullable()->change();
            $table->string('path')->nullable()->change();
            $table->string('file_path')->nullable();
            $table->string('file_mime')->nullable();
            $table->char('hash', 64)->nullable();
            $table->unsignedInteger('width')->nullable();
            $table->unsignedInteger('height')->nullable();
            $table->string('colour_range')->nullable();
            $table->string('colour_matrix')->nullable();
            $table->unsignedBigInteger('length_ticks')->default(0);
            $table->unsignedBigInteger('offset_ticks')->default(0);
            $table->float('loudness')->nullable();
            $table->float('peak')->nullable();
            // All that a list of takes shows of them.
            $table->index(['take_id', 'kind', 'width', 'height', 'hash']);
        });
        Schema::table('takes', function (Blueprint $table) {
            $table->json('used')->nullable();
            $table->unsignedBigInteger('used_ticks')->nullable();
            $table->json('cut_ticks')->default('{}');
            $table->json('marks')->default('[]');
            $table->unsignedInteger('event_rows')->default(0);
            $table->unsignedBigInteger('kept_order')->default(0);
        });
        Schema::create('line_choices', function (Blueprint $table) {
            $table->foreignUlid('line_id')->primary()->constrained('lines')->cascadeOnDelete();
            $table->foreignUlid('lesson_id')->constrained()->cascadeOnDelete();
            $table->foreignUlid('take_id')->constrained()->cascadeOnDelete();
            $table->timestamps();
        });
        DB::table('takes')->orderBy('id')->each(fn (stdClass $take) => $this->bring($take));
        Schema::table('takes', function (Blueprint $table) {
            $table->dropColumn([
                'camera_width',
                'camera_height',
                'colour_range',
                'colour_matrix',
                'media_path',
                'media_mime',
                'media_hash',
                'sound_path',
                'sound_hash',
                'loudness',
                'used_from',
                'used_until',
            ]);
        });
    }

    private function bring(stdClass $take): void
    {
        $values = ['cut_ticks' => $take->line_ticks];
        if ($take->used_from !== null || $take->used_until !== null) {
            $from = (int) ($take->used_from ?? ($take->speech_from ?? 0));
            $until = (int) ($take->used_until ?? ($take->speech_until ?? $take->length_ticks));
            $values += ['used' => json_encode([[$from, $until]]), 'used_ticks' => $until - $from];
        }
        DB::table('takes')->where('id', $take->id)->update($values);
        if ($take->camera_width !== null && $take->media_path !== null) {
            $this->track($take, 'camera', [
                'file_path' => $take->media_path,
                'file_mime' => $take->media_mime,
                'hash' => $take->media_hash,
                'width' => $take->camera_width,
                'height' => $take->camera_height,
                'colour_range' => $take->colour_range,
                'colour_matrix' => $take->colour_matrix,
            ]);
        }
        if ($take->sound_path !== null) {
            $this->track($take, 'microphone', [
                'file_path' => $take->sound_path,
                'file_mime' => 'audio/flac',
                'hash' => $take->sound_hash,
                'loudness' => $take->loudness,
            ]);
        }
    }

    /** @param  array<string, mixed>  $values */
    private function track(stdClass $take, string $kind, array $values): void
    {
        $values['length_ticks'] = $take->length_ticks;
        $times = ['created_at' => $take->created_at, 'updated_at' => $take->updated_at];
        $there = DB::table('tracks')->where('take_id', $take->id)->where('kind', $kind);
        if ($there->exists()) {
            $there->update($values);
        } else {
            DB::table('tracks')->insert(
                ['id' => strtolower((string) Str::ulid()), 'take_id' => $take->id, 'kind' => $kind] + $values + $times,
            );
        }
    }
};
