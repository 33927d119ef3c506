<?php

declare(strict_types=1);

namespace App\Health;

/** What was found of one thing in an installation, for whoever runs it. */
final readonly class Finding
{
    private function __construct(
        public string $about,
        public string $says,
        public Severity $verdict,
        /** What to do. */
        public string $todo = '',
    ) {
    }

    public static function good(string $about, string $says): self
    {
        return new self($about, $says, Severity::Good);
    }

    /** Presenters can work; it should be looked at. */
    public static function doubtful(string $about, string $says, string $todo): self
    {
        return new self($about, $says, Severity::Doubtful, $todo);
    }

    /** Something does not work. */
    public static function bad(string $about, string $says, string $todo): self
    {
        return new self($about, $says, Severity::Bad, $todo);
    }

    /** @return array{about: string, verdict: string, says: string, todo: string} */
    public function toArray(): array
    {
        return ['about' => $this->about, 'verdict' => $this->verdict->value, 'says' => $this->says, 'todo' => $this->todo];
    }
}
