<?php

declare(strict_types=1);

return [
    'heading' => 'Las salas de :library',
    'text' => 'Cada sala es para unos lectores y tiene sus propias listas, hechas por el personal. Cualquier lista se abre entera, con todos los filtros.',
    'names' => ['children' => 'Sala infantil', 'teen' => 'Sala juvenil', 'reading' => 'Sala de lectura', 'study' => 'Sala de estudio'],
    'for' => ['children' => 'Para niños y quienes les leen', 'teen' => 'Para jóvenes', 'reading' => 'Para lectores adultos', 'study' => 'Para cursos y consultas'],
    'no_lists' => 'El personal aún no ha hecho ninguna lista para esta sala.',
    'everything' => 'Todos los títulos para estos lectores',
    'opens_with' => 'Esta sala se abre con:',
    'all' => 'todo',
    'ages' => 'edades :range',
    'ages_legend' => 'Edades',
    'any_age' => 'Cualquiera',
    'kind_legend' => 'Ficción o no',
    'kinds' => ['both' => 'Ambas', 'fiction' => 'Ficción', 'facts' => 'No ficción'],
    'subjects_legend' => 'Sobre alguna de estas materias',
    'keep' => 'Abrirla así desde ahora',
    'clear' => 'Abrirla con todo',
    'kept' => 'La sala se abre así desde ahora.',
    'cleared' => 'La sala se abre de nuevo con todo.',
    'index' => 'Listas de esta sala',
    'whole' => 'Ver la lista entera',
    'none_fit' => 'Nada de esta lista encaja con lo que muestra la sala.',
];
