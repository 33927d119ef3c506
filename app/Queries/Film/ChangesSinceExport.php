<?php

declare(strict_types=1);

namespace App\Queries\Film;

use App\Models\Export;
use App\Models\Version;
use OpenReel\Core\Captions\Caption;
use OpenReel\Core\Film\FilmPlan;

/** What has changed in a lesson since a film was made of it, section by section, and what it takes to make it anew. */
final class ChangesSinceExport
{
    public function __construct(private readonly FilmTranscript $said, private readonly ExpectedFilm $expected)
    {
    }

    /**
     * @param  FilmPlan  $now  of the same edition
     * @param  FilmPlan  $usual  of the lesson as it is shown in Watch
     * @return array<string, mixed> see resources/js/api/types.ts
     */
    public function of(Export $export, FilmPlan $now, FilmPlan $usual): array
    {
        $then = $this->said->of($export);
        $titles = array_column($now->assembly->segments, null, 'sectionId');
        $changed = [];
        // A film made before this was written beside it tells nothing by section.
        foreach (isset($then['sections']) ? $now->sections() : [] as $id => $is) {
            $was = $then['sections'][$id] ?? null;
            $lines = self::lines($id, $then['lines'], $now);
            if ($was !== $is || $lines > 0) {
                $changed[] = [
                    'section_id' => $id,
                    'title' => $titles[$id]->title,
                    'new' => $was === null,
                    'lines' => $lines,
                    'seen' => $was !== null && $was['seen'] !== $is['seen'],
                    'heard' => $was !== null && $was['heard'] !== $is['heard'],
                ];
            }
        }
        $gone = array_diff_key($then['sections'] ?? [], $now->sections());
        $version = Version::query()->where('export_id', $export->id)->max('number');

        return [
            'revision' => $export->revision,
            'sections' => $changed,
            'gone' => count($gone),
            'version' => $version === null ? null : (int) $version,
            'unchecked' => count(array_filter($now->captions(), fn (Caption $c): bool => ! $c->isChecked)),
            'seconds' => $this->expected->of($export->edition(), $now, $usual)['seconds'],
        ];
    }

    /**
     * @param  list<array{line: string, section: string, text: string}>  $then
     * @return int lines of a section that say something else, are new or gone
     */
    private static function lines(string $section, array $then, FilmPlan $now): int
    {
        $was = array_column(array_filter($then, fn (array $l): bool => $l['section'] === $section), 'text', 'line');
        $is = [];
        foreach ($now->assembly->segments as $segment) {
            foreach ($segment->sectionId === $section ? $segment->passage?->spoken() ?? [] : [] as $line) {
                $is[$line] = $now->texts[$line] ?? '';
            }
        }

        return count(array_diff_assoc($is, $was)) + count(array_diff_key($was, $is));
    }
}
