<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Http\Requests\SearchRequest;
use App\Queries\Lessons\SearchLessons;
use Illuminate\Http\JsonResponse;

/** Words in all lessons. */
final class SearchController
{
    public function __invoke(SearchRequest $request, SearchLessons $search): JsonResponse
    {
        return new JsonResponse($search->find($request->string('q')->value()));
    }
}
