<?php

declare(strict_types=1);

namespace FigPorch\Core\Exchange\Counter;

use DateTimeImmutable;
use DateTimeZone;

/** For whom a report is, and who made it when. */
final readonly class ReportHeader
{
    public const RELEASE = '5.1';

    /**
     * @param  string  $customer  the library, as it is known here
     * @param  string  $namespace  of numbers that mean something here only
     */
    public function __construct(
        public string $institution,
        public string $customer,
        public string $platform,
        public string $namespace,
        public DateTimeImmutable $created,
    ) {}

    public function institutionId(): string
    {
        return "{$this->namespace}:{$this->customer}";
    }

    /** What the catalogue is as a database. */
    public function database(): string
    {
        return "{$this->institution}: catalogue";
    }

    public function createdAt(): string
    {
        return $this->created->setTimezone(new DateTimeZone('UTC'))->format('Y-m-d\TH:i:s\Z');
    }
}
