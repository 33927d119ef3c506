<?php

declare(strict_types=1);

namespace App\Media;

/** A picture that has been looked over and can be kept. */
final readonly class ImageInfo
{
    /**
     * @param  string  $path  where it lies now
     * @param  string  $text  the words in it, as far as they are known
     * @param  list<int>  $look  see OpenReel\Core\Deck\Page
     * @param  bool  $isDraft  it was drawn for this purpose and can be removed
     * @param  list<string>  $steps  paths of drafts: the drawing with none of its steps, with one, with two...
     */
    public function __construct(
        public string $path,
        public string $extension,
        public string $mime,
        public int $width,
        public int $height,
        public array $look,
        public string $text = '',
        private bool $isDraft = false,
        public array $steps = [],
    ) {
    }

    /** Once it has been kept elsewhere. */
    public function forget(): void
    {
        foreach ([...$this->isDraft ? [$this->path] : [], ...$this->steps] as $draft) {
            @unlink($draft);
        }
    }
}
