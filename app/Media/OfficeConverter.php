<?php

declare(strict_types=1);

namespace App\Media;

/** Turns presentation files into PDF. */
interface OfficeConverter
{
    /**
     * @param  string  $file  path; its extension tells the format
     * @param  string  $out  path of the PDF to write
     *
     * @throws UnreadableFile when the file cannot be converted, or the converter is not installed
     */
    public function toPdf(string $file, string $out): void;
}
