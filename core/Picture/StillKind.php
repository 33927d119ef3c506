<?php

declare(strict_types=1);

namespace OpenReel\Core\Picture;

enum StillKind: string
{
    case Slide = 'slide';
    case Card = 'card';
    case Board = 'board';
    case Logo = 'logo';
    case Keys = 'keys';
    case DraftMark = 'draft-mark';
    case Label = 'label';
    case Name = 'name';
    /** One of the lesson's slides, laid over the stage. */
    case Laid = 'laid';
    /** Fills the frame behind everything. */
    case Backdrop = 'backdrop';

    /** Whether it is what zooms, emphasis and ink belong to. */
    public function isStage(): bool
    {
        return in_array($this, [self::Slide, self::Card, self::Board], true);
    }

    /** Whether nothing shines through it. */
    public function isOpaque(): bool
    {
        return $this->isStage() || $this === self::Backdrop;
    }
}
