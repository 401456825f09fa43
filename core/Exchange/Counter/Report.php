<?php

declare(strict_types=1);

namespace FigPorch\Core\Exchange\Counter;

use FigPorch\Core\Exchange\Counter\Attribute as A;
use FigPorch\Core\Exchange\Counter\DataType as D;
use FigPorch\Core\Exchange\Counter\Metric as M;

/** The reports and standard views of COUNTER Release 5.1 (from memory) that can be asked for. */
enum Report: string
{
    case PR = 'PR';
    case PR_P1 = 'PR_P1';
    case DR = 'DR';
    case DR_D1 = 'DR_D1';
    case DR_D2 = 'DR_D2';
    case TR = 'TR';
    case TR_B1 = 'TR_B1';
    case TR_B2 = 'TR_B2';
    case TR_B3 = 'TR_B3';
    case TR_J1 = 'TR_J1';
    case TR_J2 = 'TR_J2';
    case TR_J3 = 'TR_J3';
    case TR_J4 = 'TR_J4';
    case IR = 'IR';
    case IR_M1 = 'IR_M1';

    private const DENIALS = [M::LimitExceeded, M::NoLicense];

    private const ITEMS = [
        M::TotalItemInvestigations,
        M::TotalItemRequests,
        M::UniqueItemInvestigations,
        M::UniqueItemRequests,
    ];

    private const TITLES = [M::UniqueTitleInvestigations, M::UniqueTitleRequests];

    public function name(): string
    {
        return match ($this) {
            self::PR => 'Platform Report',
            self::PR_P1 => 'Platform Usage',
            self::DR => 'Database Report',
            self::DR_D1 => 'Database Search and Item Usage',
            self::DR_D2 => 'Database Access Denied',
            self::TR => 'Title Report',
            self::TR_B1 => 'Book Requests (Controlled)',
            self::TR_B2 => 'Book Access Denied',
            self::TR_B3 => 'Book Usage by Access Type',
            self::TR_J1 => 'Journal Requests (Controlled)',
            self::TR_J2 => 'Journal Access Denied',
            self::TR_J3 => 'Journal Usage by Access Type',
            self::TR_J4 => 'Journal Requests by YOP (Controlled)',
            self::IR => 'Item Report',
            self::IR_M1 => 'Multimedia Item Requests',
        };
    }

    /** The one that it is a view of. */
    public function master(): self
    {
        return match ($this) {
            self::PR, self::PR_P1 => self::PR,
            self::DR, self::DR_D1, self::DR_D2 => self::DR,
            self::IR, self::IR_M1 => self::IR,
            default => self::TR,
        };
    }

    public function isView(): bool
    {
        return $this !== $this->master();
    }

    /** @return list<Metric> */
    public function metrics(): array
    {
        return match ($this) {
            self::PR => [M::SearchesPlatform, ...self::ITEMS, ...self::TITLES],
            self::PR_P1 => [M::SearchesPlatform, M::TotalItemRequests, M::UniqueItemRequests, M::UniqueTitleRequests],
            self::DR => [
                M::SearchesAutomated,
                M::SearchesFederated,
                M::SearchesRegular,
                ...self::ITEMS,
                ...self::TITLES,
                ...self::DENIALS,
            ],
            self::DR_D1 => [M::SearchesAutomated, M::SearchesFederated, M::SearchesRegular, ...self::ITEMS],
            self::DR_D2, self::TR_B2, self::TR_J2 => self::DENIALS,
            self::TR => [...self::ITEMS, ...self::TITLES, ...self::DENIALS],
            self::TR_B1 => [M::TotalItemRequests, M::UniqueTitleRequests],
            self::TR_B3 => [...self::ITEMS, ...self::TITLES],
            self::TR_J1, self::TR_J4, self::IR_M1 => [M::TotalItemRequests, M::UniqueItemRequests],
            self::TR_J3 => self::ITEMS,
            self::IR => [...self::ITEMS, ...self::DENIALS],
        };
    }

    /** @return list<DataType> what may be in it */
    public function dataTypes(): array
    {
        return match ($this) {
            self::PR, self::PR_P1 => [D::Audiovisual, D::Book, D::Journal, D::Platform, D::Sound],
            self::DR, self::DR_D1, self::DR_D2 => [D::DatabaseAggregated],
            self::TR => [D::Book, D::Journal],
            self::TR_B1, self::TR_B2, self::TR_B3 => [D::Book],
            self::TR_J1, self::TR_J2, self::TR_J3, self::TR_J4 => [D::Journal],
            self::IR => [D::Audiovisual, D::Book, D::Journal, D::Sound],
            self::IR_M1 => [D::Audiovisual, D::Sound],
        };
    }

    /** @return list<Attribute> by what its figures may be parted, or, of a view, are */
    public function attributes(): array
    {
        return match ($this) {
            self::PR, self::DR => [A::DataType, A::AccessMethod],
            self::TR, self::IR => [A::DataType, A::Yop, A::AccessType, A::AccessMethod],
            self::TR_B1, self::TR_B2 => [A::DataType, A::Yop],
            self::TR_B3 => [A::DataType, A::Yop, A::AccessType],
            self::TR_J3 => [A::AccessType],
            self::TR_J4 => [A::Yop],
            self::IR_M1 => [A::DataType],
            self::PR_P1, self::DR_D1, self::DR_D2, self::TR_J1, self::TR_J2 => [],
        };
    }

    /** @return array<string, string> what a view leaves out, by the name of the filter */
    public function filters(): array
    {
        return match ($this) {
            self::PR_P1, self::DR_D1, self::DR_D2 => ['Access_Method' => 'Regular'],
            self::TR_B1 => [
                'Data_Type' => 'Book|Reference_Work',
                'Access_Type' => 'Controlled',
                'Access_Method' => 'Regular',
            ],
            self::TR_B2, self::TR_B3 => ['Data_Type' => 'Book|Reference_Work', 'Access_Method' => 'Regular'],
            self::TR_J1, self::TR_J4 => [
                'Data_Type' => 'Journal',
                'Access_Type' => 'Controlled',
                'Access_Method' => 'Regular',
            ],
            self::TR_J2, self::TR_J3 => ['Data_Type' => 'Journal', 'Access_Method' => 'Regular'],
            self::IR_M1 => [
                'Data_Type' => 'Audiovisual|Image|Interactive_Resource|Multimedia|Sound',
                'Access_Method' => 'Regular',
            ],
            default => [],
        };
    }
}
