<?php

declare(strict_types=1);

return (new PhpCsFixer\Config())
    ->setRiskyAllowed(true)
    ->setRules(['@PER-CS2.0' => true, 'declare_strict_types' => true, 'no_unused_imports' => true, 'ordered_imports' => true, 'single_line_empty_body' => true])
    ->setFinder((new PhpCsFixer\Finder())->in([__DIR__ . '/app', __DIR__ . '/core', __DIR__ . '/config', __DIR__ . '/database', __DIR__ . '/routes', __DIR__ . '/bootstrap', __DIR__ . '/tests'])->exclude('cache')->append([__DIR__ . '/public/index.php']));
