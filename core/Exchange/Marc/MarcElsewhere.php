<?php

declare(strict_types=1);

namespace FigPorch\Core\Exchange\Marc;

use FigPorch\Core\Catalogue\Holding;
use FigPorch\Core\Catalogue\OpenTo;
use FigPorch\Core\Catalogue\WebLink;

/** Where a thing stands or is found: 852 (location), 856 (electronic location), and the signs of what carries it. */
final class MarcElsewhere
{
    /** Form of item (008/23 of what is read or run, 008/29 of what is seen): online, on a disk, electronic. */
    private const ELECTRONIC = ['o', 'q', 's'];

    /** Access status (856 $7): open, restricted. */
    private const ACCESS = ['everybody' => '0', 'card' => '1', 'building' => '1'];

    public static function isOnline(MarcRecord $of): bool
    {
        $at = in_array($of->leader[6] ?? ' ', ['g', 'k', 'o', 'r'], true) ? 29 : 23;
        $also = $of->control('006');

        return in_array('cr', $of->values('338', 'b'), true) ||
            str_starts_with($of->control('007'), 'c') ||
            in_array($of->control('008')[$at] ?? ' ', self::ELECTRONIC, true) ||
            ($also !== '' && $also[0] === 'm' && in_array($also[6] ?? ' ', self::ELECTRONIC, true)) ||
            stripos(implode(' ', $of->values('245', 'h')), 'electronic') !== false;
    }

    /** Something to be read that is a volume, or a sheet, or has its place on a shelf. */
    public static function isOnPaper(MarcRecord $of): bool
    {
        return in_array($of->leader[6] ?? ' ', ['a', 't'], true) &&
            !self::isOnline($of) &&
            (preg_grep('/^n/', $of->values('338', 'b')) !== [] ||
                str_starts_with($of->control('007'), 't') ||
                self::holdings($of) !== []);
    }

    /** What is heard or seen from a thing that one takes home. */
    public static function isOnDisc(MarcRecord $of): bool
    {
        return !self::isOnline($of) &&
            (preg_grep('/^[sv][^rz]/', $of->values('338', 'b')) !== [] ||
                preg_match('/^(s[ds]|v[cdfr])/', $of->control('007')) === 1);
    }

    /**
     * @return list<Holding> a field is a copy, or as many as $9 of a record of ours says; those of one shelf together
     */
    public static function holdings(MarcRecord $of): array
    {
        $holdings = [];
        foreach ($of->fields('852') as $field) {
            $place = implode(', ', $field->all('bc')) ?: (string) $field->get('a');
            if ($place !== '') {
                $holdings[] = new Holding(
                    place: $place,
                    callNumber: implode(' ', $field->all('khijm')),
                    copies: min(Holding::MOST_COPIES, max(1, (int) $field->get('9'))),
                    numbers: $field->all('p'),
                );
            }
        }

        return Holding::together($holdings);
    }

    /**
     * Of the thing itself, or a version of it: not of what only goes with it (second indicator 2).
     *
     * @param  OpenTo|null  $openTo  for whom they are, where the record does not say
     * @return list<WebLink>
     */
    public static function links(MarcRecord $of, ?OpenTo $openTo = null): array
    {
        $links = [];
        foreach ($of->fields('856') as $field) {
            $address = WebLink::address((string) $field->get('u'));
            if ($address === null || $field->second === '2') {
                continue;
            }
            $says =
                OpenTo::tryFrom((string) $field->get('9')) ??
                match ($field->get('7')) {
                    '0' => OpenTo::Everybody,
                    '1' => $openTo === OpenTo::InTheBuilding ? $openTo : OpenTo::CardHolders,
                    default => null,
                };
            $about = $field->get('y') ?? ($field->get('3') ?? (string) $field->get('z'));
            $links[$address] ??= new WebLink($address, $about, $says ?? ($openTo ?? self::openTo($of)));
        }

        return array_values($links);
    }

    /**
     * @param  list<Holding>  $holdings
     * @return list<MarcField>
     */
    public static function fieldsOfHoldings(array $holdings): array
    {
        return array_map(
            fn(Holding $of): MarcField => new MarcField('852', [
                ['b', $of->place],
                ...$of->callNumber === '' ? [] : [['h', $of->callNumber]],
                ...array_map(fn(string $number): array => ['p', $number], $of->numbers),
                ...$of->copies === 1 ? [] : [['9', (string) $of->copies]],
            ]),
            $holdings,
        );
    }

    /**
     * @param  list<WebLink>  $links
     * @return list<MarcField>
     */
    public static function fieldsOfLinks(array $links): array
    {
        return array_map(
            fn(WebLink $of): MarcField => new MarcField(
                '856',
                [
                    ['u', $of->address],
                    ...$of->about === '' ? [] : [['y', $of->about]],
                    ['7', self::ACCESS[$of->openTo->value]],
                    ['9', $of->openTo->value],
                ],
                '4',
                '0',
            ),
            $links,
        );
    }

    /** 506: restrictions on access; first indicator 1: there are some. */
    private static function openTo(MarcRecord $of): OpenTo
    {
        foreach ($of->fields('506') as $field) {
            if ($field->first === '1') {
                return OpenTo::CardHolders;
            }
        }

        return OpenTo::Everybody;
    }
}
