<?php

namespace App\Actions;

use App\Models\Lesson;
use App\Models\Section;
use Illuminate\Support\Facades\DB;

/** Puts a lesson's sections in a new order. */
final class OrderSections
{
    /**
     * @param  list<string>  $ids  all sections of the lesson, each once
     *
     * @throws Refusal when sections were added or removed meanwhile
     */
    public function __invoke(Lesson $lesson, array $ids): void
    {
        $known = $lesson->sections()->pluck('id')->all();
        if (count($ids) !== count($known) || array_diff($known, $ids) !== []) {
            throw Refusal::conflict('The sections have changed meanwhile, in another window perhaps. Look at the new list and move again.');
        }
        DB::transaction(function () use ($lesson, $ids): void {
            foreach ($ids as $index => $id) {
                Section::query()->whereKey($id)->update(['position' => $index + 1]);
            }
            $lesson->touch();
        });
    }
}
