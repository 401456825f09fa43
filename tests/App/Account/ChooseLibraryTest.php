<?php

declare(strict_types=1);

namespace Tests\App\Account;

use App\Models\Library;
use Tests\App\TestCase;

/** Choosing a library among many. */
final class ChooseLibraryTest extends TestCase
{
    private function many(int $count): void
    {
        for ($n = 1; $n <= $count; $n++) {
            $this->library("harbour-{$n}")->update(['place' => "Quay {$n}"]);
        }
        $this->library('cinder-point')->update([
            'name' => 'Cinder Point School Library',
            'place' => 'Çinar Road',
            'mail_domain' => 'school.example',
        ]);
    }

    /** @return list<string> */
    private function found(string $words): array
    {
        $page = $this->get('/libraries?' . http_build_query(['find' => $words]))->assertOk();
        preg_match_all('/text-xl block">([^<]+)/', (string) $page->getContent(), $m);

        return $m[1];
    }

    public function test_it_is_found_by_name_place_or_a_mail_address(): void
    {
        $this->many(40);
        $this->assertCount(24, $this->found(''));
        $this->assertSame(['Cinder Point School Library'], $this->found('point cinder'));
        $this->assertSame(['Cinder Point School Library'], $this->found('ÇINAR'));
        $this->assertSame(['Harbour-7 Library'], $this->found('quay 7, harbour'));
        $this->assertSame(['Cinder Point School Library'], $this->found('tamar@school.example'));
        $this->assertSame(['Cinder Point School Library'], $this->found('tamar@mail.School.example'));
        $this->assertSame([], $this->found('tamar@notschool.example'));
        $this->assertSame([], $this->found('@'));
        $this->assertSame([], $this->found('100%'));
        $this->get('/libraries?find=nowhere')->assertSee('No library here is like “nowhere”');
        $this->get('/libraries?find=cinder', ['HX-Request' => 'true'])
            ->assertDontSee('<html', false)
            ->assertSee('Cinder');
    }

    public function test_a_library_has_an_address_of_its_own_that_goes_straight_there(): void
    {
        $this->many(3);
        $this->get('/at/cinder-point')->assertRedirect('/?library=cinder-point');
        $this->get('/?library=cinder-point')->assertOk()->assertSee('Cinder Point School Library');
        $this->get('/at/nowhere')->assertNotFound();
    }

    public function test_among_many_the_head_of_a_page_has_a_link_and_not_two_thousand_names(): void
    {
        $this->many(31);
        $page = $this->get('/catalogue?library=cinder-point')->assertOk()->assertDontSee('Harbour-9');
        $page->assertSee('/libraries?then=', false);
        $this->assertSame(32, Library::query()->count());
    }
}
