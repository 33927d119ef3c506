<?php

declare(strict_types=1);

namespace App\Http;

use JsonSchema\Constraints\Constraint;
use JsonSchema\Constraints\Factory;
use JsonSchema\SchemaStorage;
use JsonSchema\Validator;

/**
 * What every call of the API answers with: resources/js/api/types/answers.ts, from which `npm run schema` makes
 * resources/schemas/answers.json.
 */
final class AnswerSchema
{
    private ?SchemaStorage $storage = null;

    /** @var array<string, \stdClass>|null by method and path */
    private ?array $calls = null;

    /**
     * @param  string  $call  as `GET lessons/{lesson}`
     * @param  mixed  $answer  decoded JSON, objects as objects
     * @return string|null where it is not as it is described, and how; null when it is
     */
    public function problem(string $call, mixed $answer): ?string
    {
        $schema = $this->calls()[$call] ?? null;
        if ($schema === null) {
            return 'there is no description of it';
        }
        $this->storage ??= new SchemaStorage();
        $validator = new Validator(new Factory($this->storage));
        $validator->validate($answer, $schema, Constraint::CHECK_MODE_NORMAL);
        $first = $validator->getErrors()[0] ?? null;

        return $first === null ? null : "{$first['property']}: {$first['message']}";
    }

    /** @return list<string> calls that are described */
    public function described(): array
    {
        return array_keys($this->calls());
    }

    /** @return array<string, \stdClass> */
    private function calls(): array
    {
        if ($this->calls === null) {
            $file = resource_path('schemas/answers.json');
            $text = str_replace('"#/', "\"file://{$file}#/", (string) file_get_contents($file));
            $this->calls = (array) json_decode($text, flags: JSON_THROW_ON_ERROR)->properties;
        }

        return $this->calls;
    }
}
