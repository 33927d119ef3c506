<?php

declare(strict_types=1);

namespace App\Actions\Script;

use App\Models\Section;
use App\Models\Slide;
use OpenReel\Core\Picture\Corner;
use OpenReel\Core\Picture\InsetSize;
use OpenReel\Core\Picture\Layout;
use OpenReel\Core\Script\CueKind;
use OpenReel\Core\Script\LayoutCue;
use OpenReel\Core\Script\ScriptSection as ScriptSection;

/** Changes one section: its heading and words, the slide it begins with, its layout. All of it is a change of the script. */
final class ChangeSection
{
    private const LAYOUT = ['layout', 'inset_corner', 'inset_size'];

    public function __construct(private readonly EditScript $edit)
    {
    }

    /**
     * @param  array{heading?: string, script?: string, slide_id?: string|null, layout?: string|null,
     *     inset_corner?: string|null, inset_size?: string|null}  $change
     *
     *                                null for a part of the layout goes back to the house style's
     */
    public function __invoke(Section $section, array $change): void
    {
        if (array_intersect_key($change, ['heading' => 1, 'script' => 1]) !== []) {
            $this->edit->section($section, $change['heading'] ?? null, $change['script'] ?? null);
        }
        if (array_key_exists('slide_id', $change)) {
            $slide = $change['slide_id'] === null ? null : Slide::query()->findOrFail($change['slide_id']);
            $this->edit->opening($section, CueKind::Slide, $slide->name ?? '');
        }
        $layout = array_intersect_key($change, array_flip(self::LAYOUT));
        if ($layout !== []) {
            $now = ScriptSection::ofText($section->refresh()->script)->layout();
            $this->edit->layout(
                $section,
                new LayoutCue(
                    array_key_exists('layout', $layout) ? Layout::tryFrom((string) $layout['layout']) : $now->layout,
                    array_key_exists('inset_corner', $layout) ? Corner::tryFrom((string) $layout['inset_corner']) : $now->corner,
                    array_key_exists('inset_size', $layout) ? InsetSize::tryFrom((string) $layout['inset_size']) : $now->size,
                    $now->shape,
                    array_intersect_key($layout, ['inset_corner' => 1, 'inset_size' => 1]) === [] ? $now->place : null,
                    $now->moveMs,
                ),
            );
        }
    }
}
