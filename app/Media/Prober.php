<?php

declare(strict_types=1);

namespace App\Media;

use OpenReel\Core\Render\ExportFacts;

/** Looks into media files. */
interface Prober
{
    /**
     * What a recording contains.
     *
     * @throws ProgramMissing|ProgramFailed when it is no media file at all
     */
    public function recording(string $path): RecordingFacts;

    /**
     * What a finished export contains; frames are counted, not estimated.
     *
     * @throws ProgramMissing|ProgramFailed
     */
    public function export(string $path): ExportFacts;

    /**
     * A fingerprint of the encoder set-up inside a segment; only segments with equal ones may be joined.
     *
     * @throws ProgramMissing|ProgramFailed
     */
    public function setup(string $path): string;

    /**
     * How long a file of ours says it is.
     *
     * @throws ProgramMissing|ProgramFailed
     */
    public function seconds(string $path): float;
}
