<?php

declare(strict_types=1);

namespace OpenReel\Core\Script;

/**
 * A paragraph as it is spoken, which still knows where each of its bytes stands in the script.
 *
 * @internal of LineSplitter
 */
final class Paragraph
{
    public string $spoken = '';

    /** @var list<array{int, int}> byte in `$spoken` and byte in the script, where a run of equal bytes starts */
    private array $runs = [];

    /** Adds a stretch of the script that is spoken; white space is folded, backslashes before brackets and # are dropped. */
    public function add(string $text, int $from): void
    {
        preg_match_all('/\s+|\\\\(?=[\[\]#])|[^\s\\\\]+|\\\\/u', $text, $tokens, PREG_OFFSET_CAPTURE);
        foreach ($tokens[0] as [$token, $offset]) {
            if ($token === '\\' && preg_match('/\G[\[\]#]/', $text, offset: $offset + 1) === 1) {
                continue;
            }
            $isSpace = trim($token) === '' && preg_match('/^\s/u', $token) === 1;
            if ($isSpace && ($this->spoken === '' || str_ends_with($this->spoken, ' '))) {
                continue;
            }
            $this->runs[] = [strlen($this->spoken), $from + $offset];
            $this->spoken .= $isSpace ? ' ' : $token;
        }
    }

    /** @param  int  $spoken  byte in the spoken text */
    public function source(int $spoken): int
    {
        $low = 0;
        $high = count($this->runs) - 1;
        while ($low < $high) {
            $middle = intdiv($low + $high + 1, 2);
            if ($this->runs[$middle][0] <= $spoken) {
                $low = $middle;
            } else {
                $high = $middle - 1;
            }
        }
        [$start, $source] = $this->runs[$low] ?? [0, 0];

        return $source + $spoken - $start;
    }
}
