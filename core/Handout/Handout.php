<?php

declare(strict_types=1);

namespace OpenReel\Core\Handout;

use OpenReel\Core\Annotation\Annotation;
use OpenReel\Core\Annotation\Outline;
use OpenReel\Core\Assembly\Assembly;
use OpenReel\Core\Assembly\Segment;
use OpenReel\Core\Assembly\Shot;
use OpenReel\Core\Assembly\WordFrames;
use OpenReel\Core\Picture\AnnotationLayer;
use OpenReel\Core\Picture\Still;
use OpenReel\Core\Picture\StillKind;

/** The slides and pages of the board of a film, in order, each with the words that are said while it is seen. */
final class Handout
{
    /**
     * @param  array<string, string>  $texts  words of the lesson's lines, by id
     * @return list<HandoutSlide> what is said without a slide has none
     */
    public static function of(Assembly $assembly, array $texts): array
    {
        $slides = [];
        foreach ($assembly->segments as $segment) {
            $words = self::words($segment, $texts);
            foreach ($segment->shots as $shot) {
                $until = $shot->offset + $shot->frames;
                $meanwhile = array_filter($words, fn (SaidWord $w): bool => $w->frame >= $shot->offset && $w->frame < $until);
                $said = array_values(array_map(fn (SaidWord $w): string => $w->word, $meanwhile));
                $picture = self::stage($shot);
                $last = end($slides) ?: null;
                $goesOn = $last?->section === $segment->title
                    && ($picture === null || $last->picture === null || $last->picture->hash === $picture->hash);
                if ($goesOn && ($picture === null) === ($last->picture === null)) {
                    $slides[array_key_last($slides)] = $last->with(self::ink($shot), $said);
                } elseif ($picture !== null || $said !== []) {
                    $slides[] = new HandoutSlide($segment->title, $picture, self::ink($shot), $said);
                }
            }
        }

        return $slides;
    }

    /**
     * @param  array<string, string>  $texts
     * @return list<SaidWord> in order
     */
    private static function words(Segment $segment, array $texts): array
    {
        $words = [];
        foreach (WordFrames::of($segment, $texts) as $line => $frames) {
            preg_match_all('/\S+/u', $texts[$line] ?? '', $found);
            foreach ($frames as $n => $frame) {
                $words[] = new SaidWord($found[0][$n], $frame);
            }
        }

        return $words;
    }

    private static function stage(Shot $shot): ?Still
    {
        foreach ($shot->picture->layers as $layer) {
            $source = $layer->source;
            if ($source instanceof Still && in_array($source->kind, [StillKind::Slide, StillKind::Board], true)) {
                return $source;
            }
        }

        return null;
    }

    /** @return list<Outline> what is drawn and still stands when the shot ends */
    private static function ink(Shot $shot): array
    {
        $ink = [];
        foreach ($shot->picture->layers as $layer) {
            foreach ($layer->source instanceof AnnotationLayer ? $layer->source->marks : [] as $mark) {
                /** @var Annotation $mark */
                if ($mark->figure instanceof Outline && $mark->until >= $shot->frames) {
                    $ink[] = $mark->figure;
                }
            }
        }

        return $ink;
    }
}
