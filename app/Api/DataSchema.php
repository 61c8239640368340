<?php

namespace App\Api;

use BackedEnum;
use Carbon\CarbonInterface;
use phpDocumentor\Reflection\DocBlock\Tags\Param;
use phpDocumentor\Reflection\DocBlockFactory;
use phpDocumentor\Reflection\PseudoTypes\StringValue;
use phpDocumentor\Reflection\Type;
use phpDocumentor\Reflection\TypeResolver;
use phpDocumentor\Reflection\Types\AbstractList;
use phpDocumentor\Reflection\Types\Boolean;
use phpDocumentor\Reflection\Types\Compound;
use phpDocumentor\Reflection\Types\ContextFactory;
use phpDocumentor\Reflection\Types\Integer;
use phpDocumentor\Reflection\Types\Mixed_;
use phpDocumentor\Reflection\Types\Null_;
use phpDocumentor\Reflection\Types\Nullable;
use phpDocumentor\Reflection\Types\Object_;
use phpDocumentor\Reflection\Types\String_;
use ReflectionClass;
use ReflectionParameter;
use RuntimeException;

/**
 * The schema of an answer, read from the constructor of its class (`EventData` is `Event`), so that what is described is
 * what is told. A parameter’s type and `@param` are the type and description of a property; one that has a default is
 * not always told.
 */
final class DataSchema
{
    public const SUFFIX = 'Data';

    /** @param  class-string  $class */
    public static function name(string $class): string
    {
        return substr(class_basename($class), 0, -strlen(self::SUFFIX));
    }

    /**
     * @param  class-string  $class
     * @return array<string, mixed> an object schema of OpenAPI 3.0
     */
    public static function of(string $class): array
    {
        $reflection = new ReflectionClass($class);
        $constructor = $reflection->getConstructor() ?? throw new RuntimeException("{$class} tells nothing.");
        $context = (new ContextFactory)->createFromReflector($reflection);
        $comment = (string) $constructor->getDocComment();
        $told = [];
        foreach ($comment === '' ? [] : DocBlockFactory::createInstance()->create($comment, $context)->getTagsByName('param') as $param) {
            if ($param instanceof Param) {
                $told[(string) $param->getVariableName()] = $param;
            }
        }
        $properties = $required = [];
        foreach ($constructor->getParameters() as $parameter) {
            $type = ($told[$parameter->name] ?? null)?->getType() ?? self::declared($parameter);
            $schema = self::type($type, "{$class}::\${$parameter->name}");
            if ($parameter->isOptional()) {
                // Left out, and never null.
                unset($schema['nullable']);
            } else {
                $required[] = $parameter->name;
            }
            $properties[$parameter->name] = self::described($schema, (string) ($told[$parameter->name] ?? null)?->getDescription());
        }

        $about = (string) $reflection->getDocComment();
        $about = $about === '' ? '' : DocBlockFactory::createInstance()->create($about, $context)->getSummary();

        return array_filter(['description' => strtr($about, "\n", ' '), 'required' => $required, 'type' => 'object', 'properties' => $properties]);
    }

    private static function declared(ReflectionParameter $parameter): Type
    {
        return (new TypeResolver)->resolve(preg_replace('/(?<![\w\\\\])(?=[A-Z])/', '\\', (string) $parameter->getType()));
    }

    /** @return array<string, mixed> */
    private static function type(Type $type, string $of): array
    {
        return match (true) {
            $type instanceof Nullable => self::nullable(self::type($type->getActualType(), $of)),
            $type instanceof Integer => ['type' => 'integer'],
            $type instanceof Boolean => ['type' => 'boolean'],
            $type instanceof Compound => self::words($type, $of),
            $type instanceof String_ => ['type' => 'string'],
            $type instanceof AbstractList => ['type' => 'array', 'items' => self::type($type->getValueType(), $of)],
            $type instanceof Object_ => self::object(ltrim((string) $type->getFqsen(), '\\'), $of),
            $type instanceof Mixed_ => [],
            default => throw new RuntimeException("{$of} is {$type}, which cannot be described."),
        };
    }

    /** @return array<string, mixed> of a union of words, perhaps with null */
    private static function words(Compound $type, string $of): array
    {
        $words = [];
        foreach ($type as $each) {
            $words[] = match (true) {
                $each instanceof StringValue => $each->getValue(),
                $each instanceof Null_ => null,
                default => throw new RuntimeException("{$of} is {$type}, which cannot be described."),
            };
        }
        $schema = ['type' => 'string', 'enum' => array_values(array_filter($words, is_string(...)))];

        return in_array(null, $words, true) ? self::nullable($schema) : $schema;
    }

    /** @return array<string, mixed> */
    private static function object(string $class, string $of): array
    {
        return match (true) {
            is_subclass_of($class, BackedEnum::class) => ['type' => 'string', 'enum' => array_column($class::cases(), 'value')],
            is_a($class, CarbonInterface::class, true) => ['type' => 'string'],
            str_ends_with($class, self::SUFFIX) => ['$ref' => '#/components/schemas/'.self::name($class)],
            default => throw new RuntimeException("{$of} is a {$class}, which cannot be described."),
        };
    }

    /**
     * @param  array<string, mixed>  $schema
     * @return array<string, mixed>
     */
    private static function nullable(array $schema): array
    {
        return isset($schema['$ref']) ? ['nullable' => true, 'allOf' => [$schema]] : $schema + ['nullable' => true];
    }

    /**
     * @param  array<string, mixed>  $schema
     * @return array<string, mixed>
     */
    private static function described(array $schema, string $description): array
    {
        return match (true) {
            $description === '' => $schema,
            isset($schema['$ref']) => ['description' => $description, 'allOf' => [$schema]],
            default => ['description' => $description] + $schema,
        };
    }
}
