<?php

declare(strict_types=1);

namespace App\Exchange\OpenId;

use App\Lending\Cards\IssueCards;
use App\Lending\Cards\NewCard;
use App\Models\Card;
use App\Models\Library;
use FigPorch\Core\Account\SchoolSignIn;
use FigPorch\Core\Lending\CardNumber;
use Illuminate\Support\Facades\DB;

/** The card of who signed in at a school: made when they first come, and kept as the school says. */
final class SchoolCards
{
    private const NAME = 255;

    private const CLASS_NAME = 60;

    public function __construct(private readonly IssueCards $issueCards) {}

    /**
     * @param  array<mixed>  $claims
     *
     * @throws SchoolRefused
     */
    public function of(Library $library, SchoolSignIn $school, array $claims): Card
    {
        $subject = (string) $claims['sub'];
        $group = $school->group($claims) ?? throw new SchoolRefused('group', $subject);
        $name = mb_substr(is_string($claims['name'] ?? null) ? trim($claims['name']) : '', 0, self::NAME);
        $class = $school->class($claims);
        $class = $class === null ? null : mb_substr($class, 0, self::CLASS_NAME);
        $email =
            ($claims['email_verified'] ?? false) === true &&
            filter_var($claims['email'] ?? '', FILTER_VALIDATE_EMAIL) !== false
                ? $claims['email']
                : null;
        $number = $school->number($claims);
        $number = $number === null ? null : CardNumber::plain($number);
        if ($number !== null && !CardNumber::isOne($number)) {
            throw new SchoolRefused('card', $subject);
        }

        return DB::transaction(function () use ($library, $subject, $group, $name, $class, $email, $number): Card {
            // One after another, so that who comes by two windows at once gets one card.
            DB::select('select from libraries where id = ? for update', [$library->id]);
            $known = DB::table('school_subjects')
                ->where(['library_id' => $library->id, 'subject' => $subject])
                ->value('card_id');
            $new = new NewCard($name === '' ? $subject : $name, $group, $number, $email, $class);
            $id = is_int($known) ? $known : $this->newCard($library, $subject, $number, $new);
            $card = Card::query()->with('person')->whereKey($id)->firstOrFail();
            $card->update(['patron_group' => $group, 'class' => $class]);
            $card
                ->person()
                ->update(
                    array_filter(
                        ['name' => $name, 'email' => $email],
                        fn(?string $of): bool => $of !== null && $of !== '',
                    ),
                );

            return $card->refresh()->load('person');
        });
    }

    /** @throws SchoolRefused where the number is another's */
    private function newCard(Library $library, string $subject, ?string $number, NewCard $new): int
    {
        $known =
            $number === null
                ? null
                : Card::query()
                    ->where(['library_id' => $library->id, 'number' => $number])
                    ->first();
        if ($known !== null && DB::table('school_subjects')->where('card_id', $known->id)->exists()) {
            throw new SchoolRefused('card', $subject);
        }
        $id = $known->id ?? (($this->issueCards)($library, [$new])[0]->id ?? throw new SchoolRefused('card', $subject));
        DB::table('school_subjects')->insert([
            'library_id' => $library->id,
            'subject' => $subject,
            'card_id' => $id,
        ]);

        return $id;
    }
}
