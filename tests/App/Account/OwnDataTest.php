<?php

declare(strict_types=1);

namespace Tests\App\Account;

use App\Account\Privacy\OwnData;
use App\Account\Privacy\Terms;
use App\Exchange\OwnData\OwnDataFile;
use App\Models\Card;
use App\Models\Notice;
use FigPorch\Core\Lending\NoticeKind;
use Illuminate\Support\Facades\DB;
use Tests\App\TestCase;
use ZipArchive;

/** What is kept about a person, to see and to take along. */
final class OwnDataTest extends TestCase
{
    private function busyCard(string $name, string $marker): Card
    {
        $card = $this->card(pin: '4071');
        $card->person->update(['name' => $name]);
        $this->licence($title = $this->title("Title {$marker}"), copies: 9);
        $this->borrow($card, $title);
        DB::table('baskets')->insert([
            'person_id' => $card->person_id,
            'name' => "=Basket {$marker}",
            'note' => "a,\"b\"\nc",
            'position' => 1,
            'created_at' => $this->now(),
        ]);
        $this->as($card)->post('/letters', ['text' => "Letter {$marker}"]);

        return $card;
    }

    public function test_every_table_that_names_a_person_is_shown_or_says_why_not(): void
    {
        $terms = array_keys(Terms::WITH_THE_PERSON + Terms::WITH_THE_LOAN + Terms::AFTER_A_TIME);
        $told = [...OwnData::tables(), ...array_keys(OwnData::NOT_SHOWN)];
        sort($terms);
        sort($told);
        $this->assertSame($terms, $told);
    }

    public function test_all_of_it_is_one_s_own_and_no_secret_is_in_it(): void
    {
        $other = $this->busyCard('Wren', 'of another');
        $card = $this->busyCard('Imara', 'of mine');
        $page = $this->get('/settings/kept')->assertOk();
        $page->assertSee('Title of mine')->assertSee('Letter of mine')->assertSee('Imara');
        $page->assertDontSee('of another')->assertDontSee('Wren')->assertDontSee($other->number);
        $page->assertDontSee((string) $card->refresh()->pin_hash)->assertDontSee('$2y$');
    }

    public function test_it_is_taken_along_as_a_zip_that_other_tools_read(): void
    {
        $card = $this->busyCard('Imara', 'of mine');
        $path = app(OwnDataFile::class)->make($card->person->unsetRelations(), $this->now());
        exec('unzip -tq ' . escapeshellarg($path), $said, $status);
        $this->assertSame(0, $status, implode("\n", $said));
        $zip = new ZipArchive();
        $zip->open($path);
        $json = json_decode((string) $zip->getFromName('data.json'), true, flags: JSON_THROW_ON_ERROR);
        $this->assertSame('Title of mine', $json['kept']['loans'][0]['title']);
        $this->assertSame('Letter of mine', $json['kept']['letter_parts'][0]['text']);
        $rows = array_map(
            fn(string $line): array => str_getcsv($line, escape: ''),
            explode("\r\n", trim((string) $zip->getFromName('baskets.csv'), "\u{feff}\r\n")),
        );
        $this->assertSame('name', $rows[0][0]);
        $this->assertSame("'=Basket of mine", $rows[1][0], 'a spreadsheet runs no formula of it');
        $this->assertStringContainsString('Title of mine', (string) $zip->getFromName('index.html'));
        $zip->close();
        unlink($path);
        $this->get('/settings/kept/take')->assertOk()->assertHeader('Content-Type', 'application/zip');
    }

    public function test_it_says_nothing_more_than_there_is(): void
    {
        $this->as($this->card());
        $this->get('/settings/kept')->assertOk()->assertSee('nothing');
        $this->get('/settings/kept/take')->assertOk();
    }

    public function test_a_group_of_notices_is_switched_as_one_and_kinds_one_by_one(): void
    {
        $card = $this->card();
        $this->as($card);
        $all = array_fill_keys(array_column(NoticeKind::cases(), 'value'), '1');
        $groups = ['holds', 'loans', 'new_for_me', 'library', 'safety'];
        $was = ['shown' => array_fill_keys($groups, '1'), 'mailed' => array_fill_keys($groups, '1')];
        // Mail about loans is switched off; one kind of holds by itself.
        $group = $was;
        unset($group['mailed']['loans']);
        $mailed = $all;
        unset($mailed['hold_lapsed']);
        $this->post('/settings/notices', ['shown' => $all, 'mailed' => $mailed, 'group' => $group, 'was' => $was]);
        $off = fn(string $way): array => DB::table('notice_choices')
            ->where('person_id', $card->person_id)
            ->where($way, false)
            ->orderBy('kind')
            ->pluck('kind')
            ->all();
        $this->assertSame(['hold_lapsed', 'loan_due_soon', 'loan_due_tomorrow', 'loan_ended'], $off('mailed'));
        $this->assertSame([], $off('shown'));
        $this->get('/settings')->assertSee('value="some"', false);

        // Switched on again as a whole.
        $was['mailed']['loans'] = '0';
        $group['mailed']['loans'] = '1';
        $this->post('/settings/notices', ['shown' => $all, 'mailed' => [], 'group' => $group, 'was' => $was]);
        $this->assertNotContains('loan_ended', $off('mailed'));
        $this->assertContains('hold_ready', $off('mailed'));
        $this->assertSame(0, Notice::query()->count());
    }

    public function test_how_text_looks_is_kept_for_all_devices_and_only_what_the_reader_knows(): void
    {
        $card = $this->card();
        $this->as($card);
        $this->post('/settings/reading', ['size' => '120', 'typeface' => 'comic', 'layout' => 'scroll']);
        $this->assertSame(['size' => '120', 'layout' => 'scroll'], $card->person->refresh()->reading);
        $this->get('/settings')->assertSee('Kept.');
        $this->postJson('/settings/reading', [])->assertNoContent()->assertSessionMissing('said');
        $this->assertNull($card->person->refresh()->reading);
    }

    public function test_what_is_asked_first_over_mobile_data_is_on_every_page_of_theirs_and_on_nobody_elses(): void
    {
        $card = $this->card();
        $this->as($card);
        $this->get('/loans')->assertDontSee('data-ask-on-mobile', false);
        $this->post('/settings/mobile-data', ['film' => '1', 'sound' => 'yes', 'text' => '1']);
        $this->assertSame(['film'], $card->person->refresh()->ask_on_mobile);
        $this->get('/loans')->assertSee('data-ask-on-mobile="film"', false);
        $this->post('/settings/mobile-data', ['film' => '1', 'offline' => '1']);
        $this->get('/settings')->assertSee('data-ask-on-mobile="offline film"', false)->assertSee('Kept.');
        $this->postJson('/settings/mobile-data', [])->assertNoContent();
        $this->assertNull($card->person->refresh()->ask_on_mobile);
        $this->post('/settings/mobile-data', ['film' => '1']);
        $this->as($this->card());
        $this->get('/loans')->assertDontSee('data-ask-on-mobile', false);
    }
}
