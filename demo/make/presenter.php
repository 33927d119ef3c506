<?php

declare(strict_types=1);

/** Draws the stand-in presenter as pictures: the room behind, and the figure for every opening of the mouth. */

use App\Media\Program;

const MOUTHS = 6;

const WIDE = 960;

const HIGH = 540;

const PAINT = [
    'wall' => '#d9e4e3',
    'window' => '#f2f7f6',
    'water' => '#8fb7bd',
    'wood' => '#a9794a',
    'skin' => '#e3b08d',
    'shade' => '#c98f6c',
    'hair' => '#4a3426',
    'jersey' => '#20516e',
    'stripe' => '#f2efe6',
    'mouth' => '#7c2f2f',
    'eye' => '#26303a',
];

/** Writes room.png and figure-MOUTH-BLINK.png into a folder. */
function drawPresenter(string $folder): void
{
    draw("{$folder}/room.png", room());
    for ($mouth = 0; $mouth < MOUTHS; $mouth++) {
        foreach ([0, 1] as $blink) {
            draw("{$folder}/figure-{$mouth}-{$blink}.png", figure($mouth / (MOUTHS - 1), $blink === 1));
        }
    }
}

/** @param  string  $shapes  drawn on 1280 x 720 */
function draw(string $file, string $shapes): void
{
    $svg =
        '<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 1280 720" width="'.
        WIDE.
        '" height="'.
        HIGH.
        '">'.
        $shapes.
        '</svg>';
    file_put_contents("{$file}.svg", $svg);
    Program::run(['rsvg-convert', '-o', $file, "{$file}.svg"]);
    unlink("{$file}.svg");
}

function room(): string
{
    $waves = '';
    for ($row = 0; $row < 4; $row++) {
        $y = 262 + $row * 26;
        $waves .=
            "<path d='M832 {$y} q21 -8 42 0 t42 0 t42 0 t42 0 t42 0 t42 0 t42 0 t42 0' fill='none' stroke='".
            PAINT['window'].
            "' stroke-width='3'/>";
    }

    return rect('wall', 0, 0, 1280, 720).
        rect('window', 820, 70, 360, 300).
        rect('water', 832, 240, 336, 118).
        $waves.
        '<g transform="translate(180 420) rotate(-10)">'.
        rect('wood', -7, -330, 14, 640).
        oval('jersey', 0, -350, 28, 74).
        '</g>';
}

function figure(float $open, bool $blink): string
{
    $lid = $blink ? 2 : 15;
    $eyes = '';
    foreach ([-54, 54] as $x) {
        $eyes .= oval('eye', $x, 214, 13, $lid).rect('hair', $x - 26, 176, 52, 8);
    }

    return '<g transform="translate(648 60)">'.
        '<path d="M-300 700 C-290 470 -150 430 0 430 C150 430 290 470 300 700 Z" fill="'.
        PAINT['jersey'].
        '"/>'.
        rect('stripe', -210, 560, 420, 26).
        rect('shade', -52, 360, 104, 90).
        oval('hair', 0, 190, 168, 196).
        oval('skin', 0, 230, 138, 170).
        '<path d="M-142 118 A142 76 0 0 1 142 118 Z" fill="'.
        PAINT['hair'].
        '"/>'.
        $eyes.
        oval('shade', 0, 264, 15, 19).
        oval('mouth', 0, 326, 46 - 6 * $open, 4 + 20 * $open).
        '</g>';
}

function rect(string $colour, float $x, float $y, float $width, float $height): string
{
    return "<rect x='{$x}' y='{$y}' width='{$width}' height='{$height}' fill='".PAINT[$colour]."'/>";
}

function oval(string $colour, float $x, float $y, float $rx, float $ry): string
{
    return "<ellipse cx='{$x}' cy='{$y}' rx='{$rx}' ry='{$ry}' fill='".PAINT[$colour]."'/>";
}
