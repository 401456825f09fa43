<?php

declare(strict_types=1);

return [
    'back_15' => 'Back 15 seconds',
    'on_15' => 'On 15 seconds',
    'part_before' => ['audiobook' => 'Chapter before', 'music' => 'Track before', 'video' => 'Episode before'],
    'part_after' => ['audiobook' => 'Next chapter', 'music' => 'Next track', 'video' => 'Next episode'],
    'where_playing' => 'Place',
    'sleep_timer' => 'Sleep timer',
    'sleep' => ['off' => 'Off', '5' => '5 minutes', '15' => '15 minutes', '30' => '30 minutes', '60' => '1 hour', 'end' => 'End of this part'],
    'no_captions' => 'None',
    'caption_size' => 'Size of captions',
    'caption_sizes' => ['small' => 'Small', 'medium' => 'Medium', 'large' => 'Large'],
    'caption_ground' => 'Behind captions',
    'caption_grounds' => ['dark' => 'Dark', 'light' => 'Light', 'none' => 'Nothing'],
    'bookmarks' => 'Bookmarks',
];
