<?php

namespace App\Http\Controllers;

use Diastoma\Core\Calculation\Registry;
use Illuminate\Http\JsonResponse;
use OpenApi\Generator;

/** The API described by its own code: the attributes in Http/OpenApi, and the calculations with their schemas. */
final class OpenApiController extends Controller
{
    public function __invoke(Registry $registry): JsonResponse
    {
        return new JsonResponse(self::document($registry), 200, [], JSON_UNESCAPED_SLASHES | JSON_UNESCAPED_UNICODE);
    }

    /** @return array<string, mixed> */
    public static function document(Registry $registry): array
    {
        $openapi = (new Generator)->generate([app_path('Http')]) ?? throw new \RuntimeException('No OpenAPI document');
        $document = json_decode($openapi->toJson(), true, 128, JSON_THROW_ON_ERROR);
        foreach ($registry->names() as $name) {
            $schema = $registry->schema($name);
            unset($schema['$schema']);
            $document['components']['schemas']['Calc_'.str_replace(['-', '.'], '_', $name)] = $schema;
        }

        return $document;
    }
}
