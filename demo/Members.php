<?php

declare(strict_types=1);

namespace FigPorch\Demo;

/** The libraries of the Lantern Coast, their rules, and the cards that can sign in. */
final class Members
{
    public const CONSORTIUM = 'Lantern Coast Libraries';

    public const LIBRARIES = [
        [
            'slug' => 'saltmere',
            'name' => 'Saltmere Public Library',
            'short_name' => 'Saltmere',
            'place' => 'Saltmere, Lantern Coast',
            'pin_contact' => 'the front desk, open Tuesday to Saturday, or desk@saltmere.example',
        ],
        [
            'slug' => 'cinder-point',
            'name' => 'Cinder Point School Library',
            'short_name' => 'Cinder Point',
            'place' => 'Cinder Point, Lantern Coast',
            'pin_contact' => 'Ms Ebbing in the library, room 12',
        ],
        [
            'slug' => 'larkspur-ferry',
            'name' => 'Larkspur Ferry Library',
            'short_name' => 'Larkspur Ferry',
            'place' => 'Larkspur Ferry, Lantern Coast',
            'pin_contact' => 'the library above the ticket office',
        ],
        [
            'slug' => 'hollow-tor',
            'name' => 'Hollow Tor College Library',
            'short_name' => 'Hollow Tor',
            'place' => 'Hollow Tor, Lantern Coast',
            'pin_contact' => 'the college office, ground floor',
        ],
    ];

    public const TIMEZONE = 'Atlantic/Azores';

    /** Rules by library; a school lends 3 titles for 14 days (common practice, no source). */
    public const RULES = [
        'saltmere' => [
            [
                'lengths' => ['7d', '14d', '21d'],
                'default_length' => '14d',
                'max_loans' => 7,
                'max_holds' => 7,
                'hold_kept_hours' => 72,
            ],
            ['patron_group' => 'child', 'audience_ceiling' => 'child', 'max_loans' => 5],
            ['patron_group' => 'teen', 'audience_ceiling' => 'teen'],
            ['format' => 'video', 'lengths' => ['3d', '7d'], 'default_length' => '3d'],
        ],
        'cinder-point' => [
            [
                'lengths' => ['14d'],
                'default_length' => '14d',
                'max_loans' => 3,
                'max_holds' => 3,
                'audience_ceiling' => 'teen',
            ],
            ['patron_group' => 'teacher', 'lengths' => ['14d', '21d'], 'max_loans' => 7, 'audience_ceiling' => 'adult'],
        ],
        'larkspur-ferry' => [
            ['lengths' => ['7d', '14d', '21d'], 'default_length' => '21d', 'max_loans' => 6, 'max_holds' => 6],
            ['patron_group' => 'child', 'audience_ceiling' => 'child'],
        ],
        'hollow-tor' => [
            ['lengths' => ['1h', '7d', '14d', '21d'], 'default_length' => '14d', 'max_loans' => 12, 'max_holds' => 10],
            ['format' => 'video', 'lengths' => ['1h', '3d'], 'default_length' => '3d'],
        ],
    ];

    /** Cards that can sign in. The first four are printed by bin/start. */
    public const CARDS = [
        [
            'name' => 'Imara Quell',
            'library' => 'saltmere',
            'number' => '21000001',
            'pin' => '4071',
            'group' => 'adult',
            'also' => ['larkspur-ferry', '23000007'],
        ],
        ['name' => 'Teo Marrable', 'library' => 'saltmere', 'number' => '21000002', 'pin' => '5526', 'group' => 'teen'],
        [
            'name' => 'Wren Okoro-Hale',
            'library' => 'cinder-point',
            'number' => '22000001',
            'pin' => '6183',
            'group' => 'student',
        ],
        [
            'name' => 'Sunniva Brack',
            'library' => 'hollow-tor',
            'number' => '24000001',
            'pin' => '7349',
            'group' => 'teacher',
        ],
        [
            'name' => 'Pip Lantry',
            'library' => 'larkspur-ferry',
            'number' => '23000001',
            'pin' => '2914',
            'group' => 'child',
        ],
        [
            'name' => 'Halvard Strand',
            'library' => 'saltmere',
            'number' => '21000003',
            'pin' => '3308',
            'group' => 'staff',
        ],
        [
            'name' => 'Nerys Ebbing',
            'library' => 'cinder-point',
            'number' => '22000002',
            'pin' => '8427',
            'group' => 'teacher',
        ],
        [
            'name' => 'Roan Gullick',
            'library' => 'larkspur-ferry',
            'number' => '23000002',
            'pin' => '1165',
            'group' => 'staff',
        ],
    ];

    /** Who can sign in at the Desk. The first two are printed by bin/start. */
    public const STAFF = [
        [
            'name' => 'Halvard Strand',
            'library' => 'saltmere',
            'email' => 'halvard@saltmere.example',
            'password' => 'nine lanterns at dusk',
            'role' => 'director',
        ],
        [
            'name' => 'Nerys Ebbing',
            'library' => 'cinder-point',
            'email' => 'nerys@cinderpoint.example',
            'password' => 'chalk and low water',
            'role' => 'director',
        ],
        [
            'name' => 'Roan Gullick',
            'library' => 'larkspur-ferry',
            'email' => 'roan@larkspurferry.example',
            'password' => 'ticket office teapot',
            'role' => 'director',
        ],
        [
            'name' => 'Ottoline Vane',
            'library' => 'hollow-tor',
            'email' => 'ottoline@hollowtor.example',
            'password' => 'granite before breakfast',
            'role' => 'director',
        ],
        [
            'name' => 'Piet Lorne',
            'library' => 'saltmere',
            'email' => 'piet@saltmere.example',
            'password' => 'herring at first light',
            'role' => 'lending',
        ],
    ];

    /**
     * Lists of each library: room, name, note, and either words whose best matches are put on it by hand, or the search
     * that makes it.
     */
    /** What each library has in its funds this year, in cents. */
    public const FUNDS = ['Novels and stories' => 640_000, 'Learning' => 380_000, 'Sound and film' => 250_000];

    public const STAFF_LISTS = [
        'saltmere' => [
            ['reading', 'Storms and their keepers', 'Weather you can read indoors.', 'storm', null],
            [
                'reading',
                'First chapters for cold nights',
                'Try one before you borrow: every excerpt here is a good one.',
                'winter lantern',
                null,
            ],
            ['reading', 'For the night ferry', 'Long enough for the crossing.', 'ferry harbour', null],
            [
                'reading',
                'Heard on the quay',
                'Read aloud by people who know how.',
                null,
                'narrator:juno OR narrator:maren OR narrator:odalys',
            ],
            [
                'children',
                'Lamps, kites and small boats',
                'To read aloud, or alone under the covers.',
                'lamp kite boat tide',
                null,
            ],
            ['teen', 'Marsh, reef and tidepool', 'Out of doors without getting wet.', 'bird reef tide', null],
            [
                'study',
                'The coast in facts',
                'Where to begin for a school project.',
                null,
                'subject:"non fiction" (coast OR tide OR weather OR bird)',
            ],
        ],
        'cinder-point' => [
            ['study', 'Read before the field trip', 'Birds, tides and how not to fall in.', 'bird tide island', null],
            ['teen', 'Prize winners', 'What the juries liked.', null, 'award:prize OR award:medal OR award:voice'],
        ],
        'larkspur-ferry' => [
            ['reading', 'Ticket office favourites', 'What people ask for while they wait.', 'ferry letter', null],
            ['children', 'Small sailors', 'For readers up to ten.', 'lamp kite boat', null],
        ],
        'hollow-tor' => [['study', 'Coast studies', 'For the first-year course.', 'history navigation weather', null]],
    ];
}
