<?php

declare(strict_types=1);

return [
    'heading' => 'Print pages',
    'heading_mail' => 'Print or mail pages',
    'of' => 'of “:name”',
    'allowed_all' => 'This loan may print and copy as many pages as you like.',
    'allowed' => '{0} This loan has no pages left to print or copy.|{1} This loan may still print or copy :left page. What was taken once is not counted again.|[2,*] This loan may still print or copy :left pages. What was taken once is not counted again.',
    'from' => 'From page',
    'to' => 'To page',
    'range' => 'The book has the pages :first to :last.',
    'show' => 'Show to print',
    'as_pdf' => 'Save as PDF',
    'mail_after' => 'Once they are shown, they can be mailed to you or put into your folder, too.',
    'or_chapter' => 'Or a whole chapter',
    'chapter' => 'Chapter',
    'chapter_pages' => ':count page|:count pages',
    'back' => 'Back to the book',
    'print' => 'Print',
    'pages_shown' => '{1} Page :first|[2,*] Pages :first to :last',
    'which' => 'Say from which page to which.',
    'other_way' => 'The last page comes before the first. Turn them round.',
    'no_such' => 'There is no page “:page”. This book has the pages :first to :last.',
    'too_many' => '{0} This loan has no pages left to print or copy.|{1} This is :asked pages more, and this loan has :left left. Choose less.|[2,*] This is :asked pages more, and this loan has :left left. Choose less.',
    'at_a_time' => 'Up to :count pages of this title are shown at a time. Take them in parts; each is counted once.',
    'copied' => 'Copied.',
    'copied_left' => '{0} Copied. This loan has no pages left to print or copy.|{1} Copied. This loan may print or copy :left page more.|[2,*] Copied. This loan may print or copy :left pages more.',
    'copy_price' => '{0} Copying takes :price of :left pages left.|{1} Copying takes :price of the one page left.|[2,*] Copying takes :price of :left pages left.',
    'copy_free' => 'Copied before: copying takes nothing more.',
    'no_pdf' => 'The licence of this title does not allow pages as PDF. They can be printed.',
    'other_script' => 'These pages are in a script that cannot be set as a PDF here. Show them to print instead.',
];
