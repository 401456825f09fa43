<?php

declare(strict_types=1);

namespace App\Desk\CardImport;

use App\Exchange\Csv\UnreadableCsv;
use Normalizer;

/** Which column of a file of patrons is what, by the words at its head. */
final readonly class PatronColumns
{
    /** As heads are written in English and Spanish, without accents, spaces and signs. */
    private const HEADS = [
        'number' => [
            'number',
            'cardnumber',
            'cardno',
            'card',
            'librarycard',
            'numero',
            'numerodecarne',
            'ncarne',
            'carne',
            'tarjeta',
        ],
        'name' => ['name', 'fullname', 'patron', 'nombrecompleto', 'nombreyapellidos', 'nombre'],
        'first' => ['firstname', 'givenname', 'forename', 'nombredepila'],
        'last' => ['lastname', 'surname', 'familyname', 'apellido', 'apellidos'],
        'email' => ['mail', 'email', 'mailaddress', 'emailaddress', 'correo', 'correoelectronico'],
        'group' => ['group', 'patrongroup', 'grupo'],
        'class' => ['class', 'form', 'clase', 'curso'],
        'expires' => ['expires', 'expiry', 'expirydate', 'gooduntil', 'validuntil', 'caduca', 'caducidad', 'valehasta'],
        'pin' => ['pin'],
    ];

    /**
     * @param  array<string, int>  $at  by what it is
     * @param  list<string>  $unused  heads that mean nothing here
     */
    private function __construct(private array $at, public array $unused) {}

    /**
     * @param  list<string>  $heads
     *
     * @throws UnreadableCsv
     */
    public static function of(array $heads): self
    {
        $at = [];
        $unused = [];
        foreach ($heads as $column => $head) {
            $plain = (string) preg_replace(
                '/[^a-z0-9]/',
                '',
                mb_strtolower((string) Normalizer::normalize($head, Normalizer::FORM_KD)),
            );
            $what = null;
            foreach (self::HEADS as $of => $words) {
                $what = in_array($plain, $words, true) ? $of : $what;
            }
            if ($what !== null && isset($at[$what])) {
                throw new UnreadableCsv('column_twice', ['column' => $head]);
            }
            $what === null ? $head !== '' && ($unused[] = $head) : ($at[$what] = $column);
        }
        // Beside a family name a name is the given one.
        if (isset($at['last'], $at['name']) && !isset($at['first'])) {
            $at['first'] = $at['name'];
            unset($at['name']);
        }
        if (!isset($at['name']) && !isset($at['first'], $at['last'])) {
            throw new UnreadableCsv('no_name_column', ['columns' => mb_substr(implode(', ', $heads), 0, 300)]);
        }

        return new self($at, $unused);
    }

    /**
     * @param  list<string>  $cells
     * @return array<string, string> number, name, email, group, class, expires and pin; '' for what is not there
     */
    public function read(array $cells): array
    {
        $cell = fn(string $of): string => isset($this->at[$of]) ? $cells[$this->at[$of]] ?? '' : '';
        $name = isset($this->at['name']) ? $cell('name') : trim("{$cell('first')} {$cell('last')}");

        return [
            'number' => $cell('number'),
            'name' => (string) preg_replace('/\s+/u', ' ', $name),
            'email' => $cell('email'),
            'group' => $cell('group'),
            'class' => $cell('class'),
            'expires' => $cell('expires'),
            'pin' => $cell('pin'),
        ];
    }
}
