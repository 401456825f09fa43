<?php

declare(strict_types=1);

return [
    'title' => 'People, series, subjects',
    'text' => 'What records name, each as an entry of its own. One that is spelled wrongly is named anew in all its titles at once; two that are the same are made one. Records that come later with the old name are understood.',
    'kinds' => ['person' => 'People', 'series' => 'Series', 'subject' => 'Subjects'],
    'find' => 'Words of the name',
    'none' => 'Nothing of that name is in any record. Look at the words again, or choose another kind.',
    'forms' => 'Also known as:',
    'more' => '{1} and one more|[2,*] and :count more',
    'rename' => 'Another name',
    'name' => 'Name',
    'sort_name' => 'Sorts as',
    'sort_hint' => 'Family name first.',
    'merge' => 'The same as another',
    'into' => 'Name of the one that stays',
    'merge_text' => 'Its titles come to the other, and this name is a form of that one from then on.',
    'of_others' => '{1} One of its titles is another library’s alone, so the name is not yours to change. Ask there.|[2,*] :count of its titles are other libraries’ alone, so the name is not yours to change. Ask there.',
    'needs_name' => 'Nothing was changed: type a name of up to 255 letters.',
    'same_name' => 'Nothing was changed: that is the name already.',
    'name_taken' => 'Another entry is called “:name”. If they are the same, make this one the same as that.',
    'needs_other' => 'Nothing was changed: no other entry of this kind has that name. Type it as it stands in the list.',
];
