<?php

declare(strict_types=1);

return [
    'no_marks' => 'You have no marks yet. While you read, listen or watch, “Bookmark this place” keeps one; text that you select in a book can be highlighted; notes go with either.',
    'no_mark_with' => 'No mark has “:words” in its note, text, place or title.',
    'find_mark' => 'Find in marks',
    'save_marks' => 'Save all as',
    'too_many_marks' => 'You have :most marks, as many as there can be. Remove some to make room.',
];
