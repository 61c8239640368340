<?php

namespace App\Api;

use OpenApi\Attributes as OA;
use OpenApi\Generator;
use Symfony\Component\Finder\Finder;

/** The OpenAPI description: what is asked from the attributes in app/, what is answered from the classes of the answers. */
#[OA\Info(version: '1.0', title: 'Pinned Rota', description: 'Errors are problem documents (RFC 9457). Times are told on a wall, without offset; the zone stands beside them. Ends are exclusive.')]
#[OA\Server(url: '/api/v1')]
final class Description
{
    public function json(): string
    {
        $description = json_decode((string) Generator::scan([app_path()], ['version' => '3.0.0', 'validate' => false])?->toJson());
        foreach ($this->answers() as $class) {
            $description->components->schemas->{DataSchema::name($class)} = DataSchema::of($class);
        }
        // Whatever is refused is told as a problem document.
        $contents = ['application/problem+json' => ['schema' => ['$ref' => '#/components/schemas/Problem']]];
        $description->components->responses = ['Refused' => ['description' => 'Refused, with the reason', 'content' => $contents]];
        foreach ((array) $description->paths as $path) {
            foreach ((array) $path as $operation) {
                foreach ($operation->parameters ?? [] as $parameter) {
                    // What is part of the path is always there.
                    $parameter->required = $parameter->in === 'path' || ($parameter->required ?? false);
                }
                foreach ((array) $operation->responses as $status => $response) {
                    if ($status >= 400 && ! isset($response->content)) {
                        $response->content = $contents;
                    }
                }
                $operation->responses->default = ['$ref' => '#/components/responses/Refused'];
            }
        }

        return json_encode($description, JSON_THROW_ON_ERROR | JSON_PRETTY_PRINT | JSON_UNESCAPED_SLASHES | JSON_UNESCAPED_UNICODE);
    }

    /** @return list<class-string> */
    private function answers(): array
    {
        $classes = [];
        foreach (Finder::create()->files()->in(app_path())->name('*'.DataSchema::SUFFIX.'.php')->sortByName() as $file) {
            /** @var class-string $class */
            $class = 'App\\'.strtr(substr($file->getRelativePathname(), 0, -4), '/', '\\');
            $classes[] = $class;
        }

        return $classes;
    }
}
