<?php

namespace App\Http\OpenApi;

use OpenApi\Attributes as OA;

/** The addresses of StoreController as the API describes them; the method of the same name answers. */
interface StorePaths
{
    #[OA\Get(
        path: '/stores',
        summary: 'What is in the stores of my projects, and how it stands today',
        tags: ['stores'],
        responses: [
            new OA\Response(
                response: 200,
                description: 'Things',
                content: new OA\JsonContent(type: 'array', items: new OA\Items(ref: '#/components/schemas/StoreItem')),
            ),
        ],
    )]
    public function index(): void;

    #[OA\Get(
        path: '/stores/kinds',
        summary: 'Kinds of things that are kept, with what is asked of each',
        tags: ['stores'],
        responses: [
            new OA\Response(
                response: 200,
                description: 'Kinds',
                content: new OA\JsonContent(type: 'array', items: new OA\Items(ref: '#/components/schemas/StoreKind')),
            ),
        ],
    )]
    public function kinds(): void;

    #[OA\Post(
        path: '/stores',
        summary: 'Put a thing into the stores, or what is newly known of it',
        tags: ['stores'],
        requestBody: new OA\RequestBody(content: new OA\JsonContent(ref: '#/components/schemas/NewStoreItem')),
        responses: [
            new OA\Response(
                response: 201,
                description: 'The thing',
                content: new OA\JsonContent(ref: '#/components/schemas/StoreItem'),
            ),
            new OA\Response(response: 422, description: 'Refused', content: new OA\JsonContent(ref: '#/components/schemas/Problem')),
        ],
    )]
    public function keep(): void;

    #[OA\Get(
        path: '/stores/{item}/history',
        summary: 'All that was ever known of a thing, newest first',
        tags: ['stores'],
        parameters: [new OA\Parameter(name: 'item', in: 'path', required: true, schema: new OA\Schema(type: 'string'))],
        responses: [
            new OA\Response(
                response: 200,
                description: 'Entries',
                content: new OA\JsonContent(type: 'array', items: new OA\Items(ref: '#/components/schemas/StoreItem')),
            ),
        ],
    )]
    public function history(): void;
}
