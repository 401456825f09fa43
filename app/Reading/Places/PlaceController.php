<?php

declare(strict_types=1);

namespace App\Reading\Places;

use App\Models\Loan;
use App\Shared\RequestContext;
use Carbon\CarbonImmutable;
use Illuminate\Http\JsonResponse;

final class PlaceController
{
    public function index(Loan $loan, RequestContext $current, Places $places): JsonResponse
    {
        return response()->json($places->all($current->requiredPerson()->id, $loan->title_id));
    }

    public function keep(PlaceRequest $request, Loan $loan, RequestContext $current, KeepPlace $keepPlace): JsonResponse
    {
        $keepPlace(
            $current->requiredPerson()->id,
            $loan->title_id,
            $request->device(),
            $request->deviceName(),
            $request->locator(),
            $request->readAt(CarbonImmutable::now()),
        );

        return response()->json(null, 204);
    }
}
