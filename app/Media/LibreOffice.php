<?php

declare(strict_types=1);

namespace App\Media;

use Illuminate\Support\Facades\File;

/** Presentation files through Debian's headless office suite. */
final class LibreOffice implements OfficeConverter
{
    private const SECONDS = 180;

    public function __construct(private readonly string $program)
    {
    }

    public function toPdf(string $file, string $out): void
    {
        // A profile of its own each time: two conversions never meet, and nothing one file leaves reaches the next.
        $folder = sys_get_temp_dir().'/reel-office-'.bin2hex(random_bytes(6));
        File::makeDirectory($folder);
        try {
            Program::run([
                $this->program, "-env:UserInstallation=file://{$folder}/profile", '--headless', '--norestore', '--nolockcheck', '--nodefault',
                '--convert-to', 'pdf', '--outdir', $folder, $file,
            ], environment: ['HOME' => $folder], seconds: self::SECONDS);
            $made = "{$folder}/".pathinfo($file, PATHINFO_FILENAME).'.pdf';
            if (! is_file($made) || ! @rename($made, $out)) {
                throw UnreadableFile::because('The presentation could not be read. Save it as PDF and bring that in.', 'the office suite wrote no PDF');
            }
        } catch (ProgramMissing $missing) {
            throw UnreadableFile::because('To read presentation files the server needs the Debian package libreoffice-impress, which is not installed (bin/demo --office installs it). Or save the slides as PDF and bring that in.', $missing->detail);
        } catch (ProgramFailed $failure) {
            throw UnreadableFile::because('The presentation could not be read. Save it as PDF and bring that in.', $failure->detail);
        } finally {
            File::deleteDirectory($folder);
        }
    }
}
