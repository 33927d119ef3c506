<?php

declare(strict_types=1);

namespace OpenReel\Core\Take;

/** What is found out about a take, one after the other. */
enum ResultStage: string
{
    case Ingest = 'ingest';
    case Alignment = 'alignment';
    case Analysis = 'analysis';
}
