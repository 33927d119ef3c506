<?php

declare(strict_types=1);

namespace App\Health;

use App\Media\InfrastructureFailure;
use App\Media\Program;
use App\Media\Sandbox;

/** Whether the programs are there that cut, draw, listen and speak. */
final class ProgramsCheck implements Check
{
    /** Program, how it is asked what it is, and the Debian package that brings it. */
    private const ASKED = [
        'ffmpeg' => ['-version', 'ffmpeg'], 'ffprobe' => ['-version', 'ffmpeg'], 'sox' => ['--version', 'sox'],
        'voice' => ['-lv', 'flite'], 'reference_voice' => ['--version', 'espeak-ng'],
    ];

    private const OTHERS = ['rsvg-convert' => ['--version', 'librsvg2-bin'], 'pdftoppm' => ['-v', 'poppler-utils']];

    /** Of the machine with the web. */
    private const WEB = ['/usr/sbin/nginx' => ['-v', 'nginx-light'], '/usr/sbin/php-fpm8.2' => ['-v', 'php8.2-fpm']];

    /** What films are made with. */
    private const ENCODERS = ['libx264', 'libvpx-vp9', 'aac', 'libopus', 'libmp3lame'];

    public function look(): array
    {
        $findings = [];
        foreach (self::ASKED as $name => [$asks, $package]) {
            $findings[] = $this->of((string) config("reel.programs.{$name}"), $asks, $package);
        }
        foreach (self::OTHERS + (config('reel.has_database') ? self::WEB : []) as $program => [$asks, $package]) {
            $findings[] = $this->of($program, $asks, $package);
        }
        $findings[] = $this->encoders();
        if ($this->said((string) config('reel.programs.office'), '--version') === null) {
            $findings[] = Finding::doubtful(
                'office suite', 'Presentation files (.pptx, .odp) cannot be brought in.',
                'Install it with bin/setup --office, if presenters want that.',
            );
        }

        $findings[] = $this->sandbox();

        return $findings;
    }

    /** What programs that open somebody's files are kept from. */
    private function sandbox(): Finding
    {
        $lacking = [
            ...Sandbox::hasNoNetwork() ? [] : ['the network (unshare)'],
            ...Sandbox::hasLimits() ? [] : ['all of the memory (prlimit)'],
        ];

        return $lacking === []
            ? Finding::good('foreign files', 'Programs that open them have no network and a limit of memory.')
            : Finding::doubtful(
                'foreign files', 'Programs that open them are not kept from '.implode(' and ', $lacking).'.',
                'Install util-linux and allow user namespaces (sysctl kernel.unprivileged_userns_clone=1), or run the workers in '
                    .'a service without a network.',
            );
    }

    private function of(string $program, string $asks, string $package): Finding
    {
        $said = $this->said($program, $asks);

        return $said === null
            ? Finding::bad($program, 'It is not there, or does not start.', "Install it: apt-get install {$package}")
            : Finding::good($program, $said);
    }

    private function encoders(): Finding
    {
        try {
            $said = Program::run([(string) config('reel.programs.ffmpeg'), '-hide_banner', '-encoders'], seconds: 10)['output'];
        } catch (InfrastructureFailure) {
            $said = '';
        }
        $lacking = array_filter(self::ENCODERS, fn (string $one): bool => preg_match('/^ \S+ '.$one.' /m', $said) !== 1);

        return $lacking === []
            ? Finding::good('encoders', 'Everything that films are made with is there.')
            : Finding::bad('encoders', 'ffmpeg lacks '.implode(', ', $lacking).'.', "Install Debian's ffmpeg, which has them.");
    }

    /** @return string|null its first row; null when it does not answer */
    private function said(string $program, string $asks): ?string
    {
        try {
            $said = Program::run([$program, $asks], seconds: 20);
        } catch (InfrastructureFailure) {
            return null;
        }
        $row = trim(strtok($said['output']."\n".$said['log'], "\n") ?: '');

        return $row === '' ? 'It answers.' : mb_substr($row, 0, 60);
    }
}
