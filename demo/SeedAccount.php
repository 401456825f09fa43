<?php

declare(strict_types=1);

namespace FigPorch\Demo;

use App\Account\Letters\AnswerLetter;
use App\Account\Letters\WriteLetter;
use App\Models\Card;
use App\Models\Message;
use App\Models\StaffMember;
use App\Shared\Sql;
use Illuminate\Support\Facades\DB;

/** What the first patrons keep, say and are told: an Almanac, letters, a message of the library. */
final class SeedAccount
{
    private const TITLES = 14;

    private const DAYS = 360;

    /** What Imara Quell thinks of some of them, the last read first. */
    private const WORDS = [
        [5, 'Read it aloud on the ferry. Nobody minded.'],
        [4, 'The harbour chapters are the best of it.'],
        [3, ''],
        [5, 'Again next winter.'],
    ];

    public function __construct(
        private readonly DemoLibraries $coast,
        private readonly WriteLetter $write,
        private readonly AnswerLetter $answer,
    ) {}

    public function keepAnAlmanac(): void
    {
        $person = Card::query()->where('number', Members::CARDS[0]['number'])->firstOrFail()->person_id;
        $titles = DB::table('licences')
            ->join('titles', 'titles.id', '=', 'licences.title_id')
            ->where('library_id', $this->coast->libraries['saltmere']->id)
            ->where(['audience' => 'adult', 'format' => 'ebook'])
            ->orderByDesc('times_borrowed')
            ->orderBy('titles.id')
            ->limit(self::TITLES * 3)
            ->pluck('titles.id')
            ->unique()
            ->take(self::TITLES)
            ->values();
        $each = intdiv(self::DAYS, max(1, $titles->count()));
        $readings = [];
        $known = [];
        for ($ago = self::DAYS; $ago >= 1; $ago--) {
            // Most evenings, and a little more on some.
            if ($this->coast->random->getInt(1, 10) > 6) {
                continue;
            }
            $n = min($titles->count() - 1, intdiv(self::DAYS - $ago, $each));
            $minutes = $this->coast->random->getInt(8, 75);
            $begins = $this->coast->now->modify("-{$ago} days")->setTime(20, $this->coast->random->getInt(0, 59));
            $readings[] = [
                'person_id' => $person,
                'title_id' => $titles[$n],
                'begins' => Sql::timestamp($begins),
                'ends' => Sql::timestamp($begins->modify("+{$minutes} minutes")),
                'seconds' => $minutes * 60,
                'pages' => intdiv($minutes * 2, 3),
            ];
            $known[$n]['first'] ??= $begins;
            $known[$n]['last'] = $begins;
        }
        DB::table('readings')->insert($readings);
        foreach (array_reverse($known, true) as $n => $of) {
            $judged = self::WORDS[count($known) - 2 - $n] ?? [null, ''];
            $isOver = $n < count($known) - 1;
            DB::table('almanac_titles')->insert([
                'person_id' => $person,
                'title_id' => $titles[$n],
                'begun_at' => Sql::second($of['first']),
                'last_at' => Sql::second($of['last']),
                'finished_at' => $isOver ? Sql::second($of['last']) : null,
                'stars' => $isOver ? $judged[0] : null,
                'word' => $isOver ? $judged[1] : '',
            ]);
        }
        DB::table('people')
            ->where('id', $person)
            ->update(['goals' => json_encode(['minutes' => 25, 'titles' => 2])]);
    }

    public function speak(): void
    {
        $library = $this->coast->libraries['saltmere'];
        $now = $this->coast->now;
        Message::query()->create([
            'library_id' => $library->id,
            'texts' => [
                'en' => [
                    'title' => 'Open late on Thursdays',
                    'text' =>
                        'Until the spring tides the reading room is open **until nine** on Thursdays. There is tea.',
                ],
                'es' => [
                    'title' => 'Los jueves abrimos hasta tarde',
                    'text' => 'Hasta las mareas vivas, la sala de lectura abre los jueves **hasta las nueve**. Hay té.',
                ],
            ],
            'rooms' => ['reading'],
            'first_day' => $now->modify('-3 days')->format('Y-m-d'),
        ]);
        $letter = function (string $number, string $about, string $text, string $when) use ($library, $now) {
            $card = Card::query()->with('person')->where('number', $number)->firstOrFail();

            return $this->write->begin(
                $library,
                $card->person,
                'en',
                ['name' => '', 'email' => null, 'about' => $about, 'text' => $text],
                $now->modify($when),
            );
        };
        $letter(
            Members::CARDS[1]['number'],
            'Teen room /rooms/teen',
            'Could there be more about lighthouses, please? I have read all three.',
            '-5 hours',
        );
        $answered = $letter(
            Members::CARDS[0]['number'],
            'Holds /holds',
            'Is my hold safe while I am away at sea for two weeks?',
            '-3 days',
        );
        $staff = StaffMember::query()->where('library_id', $library->id)->firstOrFail();
        $this->answer->answer(
            $staff,
            $answered->setRelation('library', $library),
            'Yes: pause it until you are back, and it keeps its place in line. Fair winds!',
            (int) $answered->parts()->max('id'),
            $now->modify('-2 days'),
        );
    }
}
