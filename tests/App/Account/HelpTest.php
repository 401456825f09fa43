<?php

declare(strict_types=1);

namespace Tests\App\Account;

use FigPorch\Core\Account\HelpSubject;
use Tests\App\TestCase;

/** Help, in both languages, beside the work. */
final class HelpTest extends TestCase
{
    public function test_every_subject_has_a_page_in_every_language_with_the_same_parts(): void
    {
        foreach ([...array_column(HelpSubject::cases(), 'value'), 'desk'] as $name) {
            $parts = array_map(
                function (string $language) use ($name): int {
                    $text = (string) file_get_contents(resource_path("help/{$language}/{$name}.md"));
                    $this->assertStringStartsWith('# ', $text, "{$language}/{$name}");

                    return (int) preg_match_all('/^##? /m', $text);
                },
                ['en', 'es'],
            );
            $this->assertCount(1, array_unique($parts), $name);
        }
        $files = glob(resource_path('help/en/*.md')) ?: [];
        $this->assertCount(count(HelpSubject::cases()) + 1, $files);
    }

    public function test_each_page_leads_to_the_help_that_fits(): void
    {
        $this->as($this->card());
        foreach (
            [
                '/holds' => 'waiting',
                '/loans' => 'borrowing',
                '/settings' => 'privacy',
                '/rooms/teen' => 'children',
                '/marks' => 'reading',
            ]
            as $page => $subject
        ) {
            $this->get($page)->assertSee("href=\"/help/{$subject}\"", false);
        }
        $this->get('/help/waiting')->assertOk()->assertSee('8', false)->assertSee('<html', false);
        $this->get('/help/waiting', ['HX-Request' => 'true'])
            ->assertSee('data-closable', false)
            ->assertDontSee('<html', false);
        $this->get('/help/nothing')->assertNotFound();
        $this->actingAs($this->staff(), 'staff')->get('/desk/help')->assertOk()->assertSee('Holds per copy');
    }

    public function test_it_is_searched_in_the_language_of_who_asks(): void
    {
        $this->library();
        $this->get('/help?library=saltmere')->assertSee('Borrowing')->assertSee('Keyboard');
        $this->get('/help?find=sleep+timer')->assertSee('Listening')->assertDontSee('Children');
        $this->get('/help?find=walrus')->assertSee('No page of help has “walrus”');
        $this->withUnencryptedCookie('locale', 'es')
            ->get('/help?find=historial')
            ->assertSee('Privacidad')
            ->assertDontSee('Teclado');
    }

    public function test_a_refusal_leads_to_its_help(): void
    {
        $this->as($this->card());
        $this->withSession(['refusal' => 'No.'])
            ->get('/holds')
            ->assertSee('Help with this');
    }

    public function test_the_tour_comes_once_and_when_it_is_called(): void
    {
        $card = $this->card();
        $this->as($card);
        $this->get('/porch')->assertSee('Five things');
        $this->post('/help/tour/done')->assertRedirect('/porch');
        $this->as($card->refresh())->get('/porch')->assertDontSee('Five things');
        $this->get('/help/tour')->assertSee('Five things');
    }
}
