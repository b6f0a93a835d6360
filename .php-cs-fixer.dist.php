<?php

declare(strict_types=1);

// Layout is the formatter's (npm run format); this keeps imports and strict types.
return (new PhpCsFixer\Config())
    ->setRiskyAllowed(true)
    ->setRules([
        'declare_strict_types' => true,
        'no_unused_imports' => true,
        'ordered_imports' => true,
        'modifier_keywords' => true,
        'no_multiple_statements_per_line' => true,
    ])
    ->setFinder(
        (new PhpCsFixer\Finder())
            ->in(
                array_map(
                    fn(string $folder): string => __DIR__ . "/{$folder}",
                    ['app', 'bootstrap', 'config', 'core', 'database', 'routes', 'tests', 'tools'],
                ),
            )
            ->exclude('cache')
            ->append([__DIR__ . '/public/index.php']),
    );
