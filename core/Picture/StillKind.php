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
}
