<?php

declare(strict_types=1);

return [
    'no_marks' => 'You have no marks yet. While you read, listen or watch, “Bookmark this place” keeps one; text that you select in a book can be highlighted; notes go with either.',
    'no_mark_with' => 'No mark has “:words” in its note, text, place or title.',
    'no_mark_of' => 'No mark is “:colour”.',
    'find_mark' => 'Find in marks',
    'save_marks' => 'Save all as',
    'too_many_marks' => 'You have :most marks, as many as there can be. Remove some to make room.',
    'colours_names' => 'What the colours mean',
    'colours_text' => 'A name of your own for each colour of highlights. It stands wherever the colour is chosen or listed.',
    'colours_kept' => 'The names are kept.',
    'colour_too_long' => 'A name has :most letters at most.',
    'all_colours' => 'All marks',
    'of_work' => 'Marks in “:name”',
    'to_print' => 'All of this work, to read and print',
    'nothing_in_work' => 'You have no marks in this work yet.',
    'print_all' => 'Print',
];
