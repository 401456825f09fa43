<?php

declare(strict_types=1);

namespace Tests\App\Reading;

use App\Lending\Licences\LicenceTerms;
use App\Models\Card;
use App\Models\PartSound;
use App\Models\Publication;
use App\Models\Title;
use App\Reading\Publications\Ffmpeg;
use App\Reading\Publications\ImportPublication;
use FigPorch\Core\Catalogue\Format;
use FigPorch\Core\Lending\LicenceModel;
use FigPorch\Core\Reading\Media\Loudness;
use FigPorch\Core\Reading\Reason;
use FigPorch\Core\Reading\UnreadablePublication;
use FigPorch\Demo\Media\Package;
use Illuminate\Support\Facades\Artisan;
use Symfony\Component\HttpFoundation\BinaryFileResponse;
use Symfony\Component\Process\Process;
use Tests\App\TestCase;

/** Sound and video from the file to the ear, and never more of it than one may have. */
final class PlayTest extends TestCase
{
    private const COVER = '<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 2 3"/>';

    public function test_an_audiobook_is_taken_in_with_its_chapters_and_listened_to_on_loan(): void
    {
        $title = $this->import($this->audiobook());
        $this->assertSame(
            [Format::Audiobook, 'Low Water', 30, 'en'],
            [$title->format, $title->name, $title->extent, $title->language],
        );
        $this->assertSame(['Odalys Brandt'], $title->namesOf('narrator'));
        $publication = Publication::query()->where('title_id', $title->id)->firstOrFail();
        $this->assertSame(['Seven Out', 'Eight Back', 'The Case'], array_column((array) $publication->parts, 'name'));
        $this->assertEqualsWithDelta([10, 15, 5], array_column((array) $publication->parts, 'seconds'), 0.1);
        $this->assertFalse($this->takeIn($this->audiobook())['new'], 'the same file twice is one title');

        $card = $this->card();
        $loan = $this->borrow($card, $title);
        $this->actingAs($card->person)
            ->get("/titles/{$title->id}")
            ->assertSee("/loans/{$loan->id}/listen", false)
            ->assertSee('Listen');
        $this->get("/loans/{$loan->id}/listen")
            ->assertOk()
            ->assertSeeInOrder(['Seven Out', '0:10', 'Eight Back', '0:15', 'The Case'])
            ->assertHeader('Content-Security-Policy');
        // A link to a chapter leads to where it begins.
        $chapter = $this->get("/titles/{$title->id}/sections/2-eight-back")->assertRedirectContains(
            "/loans/{$loan->id}/listen?section=2-eight-back",
        );
        $this->assertHtml(
            $this->get((string) $chapter->headers->get('Location')),
            '"beginning":{"locator":{"href":"b.mp3"',
        );
        $this->assertHtml($this->get("/loans/{$loan->id}/listen"), '"beginning":null');
        $this->get("/loans/{$loan->id}/read")->assertRedirect("/loans/{$loan->id}/listen");
        $this->get("/loans/{$loan->id}/watch")->assertRedirect("/loans/{$loan->id}/listen");
        $part = $this->get("/loans/{$loan->id}/files/b.mp3", ['Range' => 'bytes=0-99'])
            ->assertStatus(206)
            ->assertHeader('Content-Type', 'audio/mpeg');
        $this->assertSame('100', $part->headers->get('Content-Length'));

        $this->putJson("/loans/{$loan->id}/place", [
            'device' => '11111111-1111-4111-8111-111111111111',
            'read_at' => 1000,
            'sent_at' => 1000,
            'locator' => [
                'href' => 'b.mp3',
                'type' => 'audio/mpeg',
                'title' => 'Eight Back',
                'locations' => ['progression' => 0.5, 'totalProgression' => 0.583, 'fragments' => ['t=7.5']],
            ],
        ])->assertNoContent();
        $this->get("/loans/{$loan->id}/listen")->assertSee('t=7.5', false);
        $this->get('/loans')->assertSee("17\u{A0}s of 30\u{A0}s");

        $this->actingAs($this->card()->person)
            ->get("/loans/{$loan->id}/listen")
            ->assertNotFound();
        $this->later(days: 40);
        $this->actingAs($card->person)
            ->get("/loans/{$loan->id}/listen")
            ->assertStatus(410)
            ->assertSee('This loan has ended');
        $this->get("/loans/{$loan->id}/files/a.mp3")->assertStatus(410);
    }

    public function test_the_excerpt_is_a_tenth_and_nothing_else_is_to_be_had_without_a_loan(): void
    {
        $title = $this->import($this->audiobook());
        $publication = Publication::query()->where('title_id', $title->id)->firstOrFail();
        $this->assertEqualsWithDelta(
            3.0,
            array_sum(array_column((array) $publication->excerpt_parts, 'seconds')),
            0.05,
        );
        $cut = storage_path("publications/{$publication->sha256}/excerpt/a.mp3");
        $this->assertEqualsWithDelta(3.0, (new Ffmpeg())->seconds($cut, 'audio'), 0.2);

        $this->get("/titles/{$title->id}/excerpt")
            ->assertOk()
            ->assertSee('Seven Out')
            ->assertDontSee('Eight Back')
            ->assertDontSee('0:15');
        $this->get("/titles/{$title->id}/excerpt/files/a.mp3")->assertOk();
        foreach (['b.mp3', '../whole/a.mp3', 'publication.json'] as $path) {
            $this->get("/titles/{$title->id}/excerpt/files/{$path}")->assertNotFound();
        }
    }

    public function test_a_film_has_captions_and_its_excerpt_says_no_word_more(): void
    {
        $package = new Package('urn:x:film');
        $package->describe(['type' => 'Movie', 'name' => 'Two Tides', 'director' => 'Tobias Fairlead'], self::COVER);
        $vtt = "WEBVTT\n\n00:00.000 --> 00:00.900\nTwice a day.\n\n00:08.000 --> 00:09.000\nThe moon did it.\n";
        $package->part(
            'film.mp4',
            'Two Tides',
            [
                self::made(
                    '-f',
                    'lavfi',
                    '-i',
                    'color=c=teal:s=64x36:r=10:d=10',
                    '-f',
                    'lavfi',
                    '-i',
                    'sine=d=10',
                    '-c:v',
                    'libx264',
                    '-g',
                    '10',
                    '-c:a',
                    'aac',
                    '-f',
                    'mp4',
                    '-movflags',
                    'frag_keyframe+empty_moov',
                ),
                10.0,
            ],
            ['en' => ['English', $vtt]],
        );
        $title = $this->import(self::file($package));
        $this->assertSame([Format::Video, 10], [$title->format, $title->extent]);
        $this->get("/titles/{$title->id}/excerpt")
            ->assertOk()
            ->assertSee('film-en.vtt', false);
        $this->assertStringNotContainsString(
            'moon',
            (string) file_get_contents(
                storage_path(
                    'publications/' .
                        Publication::query()->where('title_id', $title->id)->value('sha256') .
                        '/excerpt/film-en.vtt',
                ),
            ),
        );
        $this->get("/titles/{$title->id}/excerpt/picture.jpg")->assertNotFound();
        $this->artisan('catalogue:measure-media')->assertSuccessful();
        $picture = $this->get("/titles/{$title->id}/excerpt/picture.jpg")
            ->assertOk()
            ->assertHeader('Content-Type', 'image/jpeg')->baseResponse;
        $this->assertInstanceOf(BinaryFileResponse::class, $picture);
        $this->assertSame([64, 36], array_slice((array) getimagesize($picture->getFile()->getPathname()), 0, 2));
        $this->get("/titles/{$title->id}/excerpt")->assertSee('poster="', false);
        $card = $this->card();
        $loan = $this->borrow($card, $title);
        $this->actingAs($card->person)
            ->get("/loans/{$loan->id}/playing")
            ->assertRedirect("/loans/{$loan->id}/watch");
        $page = $this->actingAs($card->person)
            ->get("/loans/{$loan->id}/watch")
            ->assertOk();
        $this->assertHtml($page, '<track kind="captions" srclang="en" label="English"');
        $this->get("/loans/{$loan->id}/files/film-en.vtt")
            ->assertOk()
            ->assertHeader('Content-Type', 'text/vtt; charset=UTF-8');
    }

    public function test_how_loud_it_is_is_measured_once_and_told_to_the_player(): void
    {
        $package = new Package('urn:x:levels');
        $package->describe(['type' => 'Audiobook', 'name' => 'Loud and Soft'], self::COVER);
        $tone = 'sine=frequency=1000:duration=';
        foreach (
            [
                'loud' => "{$tone}5,volume=15dB",
                'soft' => "{$tone}5,volume=-18dB,apad=pad_dur=2",
                'none' => 'anullsrc=d=4',
            ]
            as $name => $sound
        ) {
            $package->part("{$name}.mp3", $name, [self::made('-f', 'lavfi', '-i', $sound, '-f', 'mp3'), 5.0]);
        }
        $title = $this->import(self::file($package));
        $card = $this->card();
        $loan = $this->borrow($card, $title);
        $parts = fn(): array => $this->parts($card, "/loans/{$loan->id}/listen");
        $this->assertSame([0, 0, 0], array_column($parts(), 'gain'), 'nothing is known yet');

        $this->artisan('catalogue:measure-media')->expectsOutput('1 measured.')->assertSuccessful();
        $this->artisan('catalogue:measure-media')->expectsOutput('0 measured.')->assertSuccessful();
        [$loud, $soft, $none] = $parts();
        $this->assertLessThan(-5, $loud['gain']);
        $this->assertGreaterThan(5, $soft['gain']);
        $this->assertLessThanOrEqual(Loudness::MOST, $soft['gain']);
        $this->assertEquals(0, $none['gain']);
        $this->assertEqualsWithDelta([[5.0, 7.0]], $soft['silences'], 0.15);

        $small = $this->get("/loans/{$loan->id}/playing")->assertOk();
        $this->assertHtml($small, '<aside id="player"', "/loans/{$loan->id}/files/loud.mp3");
        $this->get("/loans/{$loan->id}/listen")->assertSee('Shorten silences');

        $title->publication()->delete();
        $this->artisan('catalogue:measure-media')->assertSuccessful();
        $this->assertSame(0, PartSound::query()->count(), 'what nobody has is forgotten');
    }

    public function test_tracks_of_an_album_keep_what_they_are_to_one_another(): void
    {
        $package = new Package('urn:x:album');
        $package->describe(['type' => 'MusicAlbum', 'name' => 'Two Tracks'], self::COVER);
        foreach (['a' => '0dB', 'b' => '-12dB'] as $name => $volume) {
            $sound = "sine=frequency=1000:duration=5,volume={$volume}";
            $package->part("{$name}.mp3", $name, [self::made('-f', 'lavfi', '-i', $sound, '-f', 'mp3'), 5.0]);
        }
        $title = $this->import(self::file($package));
        $this->artisan('catalogue:measure-media')->assertSuccessful();
        $this->assertCount(2, PartSound::query()->get());
        $card = $this->card();
        $gains = array_column($this->parts($card, "/loans/{$this->borrow($card, $title)->id}/listen"), 'gain');
        $this->assertCount(2, $gains);
        $this->assertSame($gains[0], $gains[1]);
        $this->assertGreaterThan(0, $gains[0]);
        // The excerpt is as loud as the whole.
        $this->assertSame($gains[0], $this->parts($card, "/titles/{$title->id}/excerpt")[0]['gain']);
    }

    public function test_what_only_says_that_it_is_sound_is_refused(): void
    {
        $before = glob(storage_path('publications/*')) ?: [];
        $package = new Package('urn:x:false');
        $package->describe(['type' => 'Audiobook', 'name' => 'Nothing but words'], self::COVER);
        $package->part('a.mp3', 'One', ['#EXTM3U' . "\n" . 'file:///etc/passwd' . "\n", 10.0]);
        $this->assertSame(
            1,
            Artisan::call('catalogue:import', [
                'files' => [self::file($package)],
                '--library' => $this->library()->slug,
            ]),
        );
        $this->assertStringContainsString('holds a file that no browser plays', Artisan::output());
        $this->assertSame(0, Title::query()->count());
        $this->assertSame($before, glob(storage_path('publications/*')) ?: [], 'nothing of it is left');
    }

    public function test_a_playlist_that_calls_itself_sound_leads_to_no_other_file(): void
    {
        $other = tempnam(sys_get_temp_dir(), 'other') . '.mp3';
        file_put_contents($other, self::made('-f', 'lavfi', '-i', 'sine=d=20', '-f', 'mp3'));
        $playlists = [
            "#EXTM3U\n#EXT-X-TARGETDURATION:20\n#EXTINF:20,\nfile://{$other}\n#EXT-X-ENDLIST\n",
            "ffconcat version 1.0\nfile '{$other}'\nduration 20\n",
            '<?xml version="1.0"?><MPD xmlns="urn:mpeg:dash:schema:mpd:2011" ' .
            'mediaPresentationDuration="PT20S"><Period><AdaptationSet mimeType="audio/mpeg"><Representation ' .
            "id=\"a\"><BaseURL>file://{$other}</BaseURL></Representation></AdaptationSet></Period></MPD>",
        ];
        foreach ($playlists as $n => $playlist) {
            $package = new Package("urn:x:{$n}");
            $package->describe(['type' => 'Audiobook', 'name' => 'A way out'], self::COVER);
            $package->part('a.mp3', 'One', [$playlist, 20.0]);
            try {
                $this->import(self::file($package));
                $this->fail("It was taken in: {$playlist}");
            } catch (UnreadablePublication $refusal) {
                $this->assertSame(Reason::NotPlayable, $refusal->reason);
            }
        }
    }

    /** @return list<array{gain: float, silences: list<array{float, float}>}> as the player has them */
    private function parts(Card $card, string $address): array
    {
        $page = $this->actingAs($card->person)->get($address)->assertOk();
        preg_match('/id="player-data">(.*?)<\/script>/s', (string) $page->getContent(), $m);

        return json_decode($m[1] ?? '', true)['parts'];
    }

    private function audiobook(): string
    {
        $package = new Package('urn:isbn:9798999903013');
        $package->describe(
            [
                'type' => 'Audiobook',
                'conformsTo' => 'https://www.w3.org/TR/audiobooks/',
                'name' => 'Low Water',
                'author' => 'Tamsin Ebbing',
                'readBy' => 'Odalys Brandt',
                'inLanguage' => 'en',
            ],
            self::COVER,
        );
        foreach (
            ['a' => ['Seven Out', 10], 'b' => ['Eight Back', 15], 'c' => ['The Case', 5]]
            as $name => [$label, $seconds]
        ) {
            // The manifest's lengths are not believed.
            $package->part("{$name}.mp3", $label, [
                self::made('-f', 'lavfi', '-i', "sine=frequency=440:duration={$seconds}", '-b:a', '32k', '-f', 'mp3'),
                999.0,
            ]);
        }

        return self::file($package);
    }

    private static function made(string ...$how): string
    {
        $process = new Process([
            'ffmpeg',
            '-v',
            'error',
            '-nostdin',
            ...$how,
            '-fflags',
            '+bitexact',
            '-flags:a',
            '+bitexact',
            '-',
        ]);
        $process->mustRun();

        return $process->getOutput();
    }

    private static function file(Package $package): string
    {
        $package->write($file = tempnam(sys_get_temp_dir(), 'media') . '.lpf');

        return $file;
    }

    private function import(string $file): Title
    {
        return $this->takeIn($file)['title'];
    }

    /** @return array{title: Title, new: bool} */
    private function takeIn(string $file): array
    {
        $import = app(ImportPublication::class);

        return $import($file, $this->library(), new LicenceTerms(LicenceModel::Simultaneous), $this->now());
    }
}
