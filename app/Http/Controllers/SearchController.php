<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Queries\Lessons\SearchLessons;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;

/** Words in all lessons. */
final class SearchController
{
    public function __invoke(Request $request, SearchLessons $search): JsonResponse
    {
        $request->validate(['q' => ['nullable', 'string', 'max:200']], ['*' => 'Search for some words, at most 200 characters.']);

        return new JsonResponse($search->find($request->string('q')->value()));
    }
}
