<?php

declare(strict_types=1);

namespace Tests\App\Reading;

use App\Models\Title;
use App\Reading\Publications\Ffmpeg;
use Tests\App\ImportsBooks;
use Tests\App\TestCase;

/** What the library reads aloud for browsers that have no voice. */
final class SpeechTest extends TestCase
{
    use ImportsBooks;

    public function test_english_of_an_open_loan_is_read_aloud_as_sound_that_browsers_play(): void
    {
        $title = $this->importBook();
        $card = $this->card();
        $loan = $this->borrow($card, $title);
        $this->be($card->person);
        // Markup, options and other scripts are text like any other; what is longer takes longer.
        $seconds = array_map(fn(string $text): float => $this->seconds("/loans/{$loan->id}/speech", $text), [
            'The ferry is in.',
            'The ferry is in, and nobody on the quay has said a word about it until the ropes were made fast.',
            '-voice kal --help',
            '“Née”—said Åse… <speak>1 < 2</speak> $(reboot)',
            'Чайка',
        ]);
        $this->assertGreaterThan(0.5, $seconds[0]);
        $this->assertGreaterThan($seconds[0] * 2, $seconds[1]);
        $this->assertGreaterThan(0.3, min($seconds));

        foreach (['', str_repeat('word ', 121), ['x']] as $wrong) {
            $this->postJson("/loans/{$loan->id}/speech", ['text' => $wrong])->assertUnprocessable();
        }
        $this->be($this->card()->person);
        $this->postJson("/loans/{$loan->id}/speech", ['text' => 'Mine?'])->assertNotFound();
        $this->be($card->person);
        Title::query()
            ->whereKey($title->id)
            ->update(['language' => 'sv']);
        $this->postJson("/loans/{$loan->id}/speech", ['text' => 'Hej'])->assertNotFound();
        $this->assertSame([], glob(sys_get_temp_dir() . '/speech-*'));
        $this->later(days: 60);
        $this->postJson("/loans/{$loan->id}/speech", ['text' => 'Late'])->assertStatus(410);
    }

    private function seconds(string $address, string $text): float
    {
        $answer = $this->postJson($address, ['text' => $text])
            ->assertOk()
            ->assertHeader('Content-Type', 'audio/mpeg');
        $file = tempnam(sys_get_temp_dir(), 'said') . '.mp3';
        file_put_contents($file, (string) $answer->getContent());

        return app(Ffmpeg::class)->seconds($file, 'audio');
    }
}
