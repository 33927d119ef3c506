<?php

declare(strict_types=1);

namespace App\Media;

use Illuminate\Support\Facades\File;
use Illuminate\Support\Facades\Log;

/** Presentation files through Debian's headless office suite, shut off from the network and with limits of time and memory. */
final class LibreOffice implements OfficeConverter
{
    private const SECONDS = 180;

    /** Address space; the suite itself takes two or three gigabytes of it. */
    private const MEMORY_BYTES = 6 * 1024 * 1024 * 1024;

    /**
     * The suite's own setting: what a file links to is not loaded. (Links have been taken out of the file before; this is the
     * second lock on that door, and no network the third.)
     */
    private const SETTINGS =
        '<?xml version="1.0" encoding="UTF-8"?><oor:items xmlns:oor="http://openoffice.org/2001/registry">'.
        '<item oor:path="/org.openoffice.Office.Common/Security/Scripting"><prop oor:name="BlockUntrustedRefererLinks" '
            .'oor:op="fuse"><value>true</value></prop></item>'.
        '<item oor:path="/org.openoffice.Office.Common/Security/Scripting"><prop oor:name="DisableMacrosExecution" '
            .'oor:op="fuse"><value>true</value></prop></item>'.
        '</oor:items>';

    public function __construct(private readonly string $program)
    {
    }

    public function toPdf(string $file, string $out): void
    {
        // A profile of its own each time: two conversions never meet, and nothing one file leaves reaches the next.
        $folder = sys_get_temp_dir().'/reel-office-'.bin2hex(random_bytes(6));
        File::makeDirectory("{$folder}/profile/user", recursive: true);
        File::put("{$folder}/profile/user/registrymodifications.xcu", self::SETTINGS);
        try {
            Program::run(
                [
                    ...self::alone(),
                    'prlimit',
                    '--as='.self::MEMORY_BYTES,
                    '--cpu='.self::SECONDS,
                    '--',
                    $this->program,
                    "-env:UserInstallation=file://{$folder}/profile",
                    '--headless',
                    '--norestore',
                    '--nolockcheck',
                    '--nodefault',
                    '--convert-to',
                    'pdf',
                    '--outdir',
                    $folder,
                    $file,
                ],
                environment: ['HOME' => $folder],
                seconds: self::SECONDS,
            );
            $made = "{$folder}/".pathinfo($file, PATHINFO_FILENAME).'.pdf';
            if (! is_file($made) || ! @rename($made, $out)) {
                throw UnreadableFile::because(
                    'The presentation could not be read. Save it as PDF and bring that in.',
                    'the office suite wrote no PDF',
                );
            }
        } catch (ProgramMissing $missing) {
            throw UnreadableFile::because(
                'To read presentation files the server needs the Debian package libreoffice-impress, which is not installed '
                    .'(bin/demo --office installs it). Or save the slides as PDF and bring that in.',
                $missing->detail,
            );
        } catch (ProgramFailed $failure) {
            throw UnreadableFile::because(
                $failure->tookTooLong
                    ? 'The presentation takes too long to read. Save it as PDF and bring that in.'
                    : 'The presentation could not be read. Save it as PDF and bring that in.',
                $failure->detail,
            );
        } finally {
            File::deleteDirectory($folder);
        }
    }

    /**
     * Without a network, and with everything it starts ended when it ends; in so far as the system allows.
     *
     * @return list<string>
     */
    private static function alone(): array
    {
        static $alone = null;
        if ($alone === null) {
            $alone = [
                'unshare',
                ...posix_geteuid() === 0 ? [] : ['--map-root-user'],
                '--net',
                '--pid',
                '--fork',
                '--kill-child=KILL',
                '--',
            ];
            try {
                Program::run([...$alone, 'true'], seconds: 5);
            } catch (InfrastructureFailure) {
                Log::warning('The office suite runs with a network: the system does not allow shutting it off (unshare).');
                $alone = [];
            }
        }

        return $alone;
    }
}
