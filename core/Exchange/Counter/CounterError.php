<?php

declare(strict_types=1);

namespace FigPorch\Core\Exchange\Counter;

/** What is wrong with what was asked for, by the numbers of the COUNTER API for Release 5.1 (from memory). */
enum CounterError: int
{
    case ServiceNotAvailable = 1000;
    case TooManyRequests = 1020;
    case InsufficientInformation = 1030;
    case RequestorNotAuthorized = 2000;
    case NotForInstitution = 2010;
    case ApiKeyInvalid = 2020;
    case ReportNotSupported = 3000;
    case VersionNotSupported = 3010;
    case InvalidDates = 3020;
    case NoUsage = 3030;
    case NotReady = 3031;
    case ParameterNotRecognized = 3050;
    case InvalidFilter = 3060;
    case InvalidAttribute = 3062;

    public function message(): string
    {
        return match ($this) {
            self::ServiceNotAvailable => 'Service Not Available',
            self::TooManyRequests => 'Client has made too many requests',
            self::InsufficientInformation => 'Insufficient Information to Process Request',
            self::RequestorNotAuthorized => 'Requestor Not Authorized to Access Service',
            self::NotForInstitution => 'Requestor is Not Authorized to Access Usage for Institution',
            self::ApiKeyInvalid => 'API Key Invalid',
            self::ReportNotSupported => 'Report Not Supported',
            self::VersionNotSupported => 'Report Version Not Supported',
            self::InvalidDates => 'Invalid Date Arguments',
            self::NoUsage => 'No Usage Available for Requested Dates',
            self::NotReady => 'Usage Not Ready for Requested Dates',
            self::ParameterNotRecognized => 'Parameter Not Recognized in this Context',
            self::InvalidFilter => 'Invalid ReportFilter Value',
            self::InvalidAttribute => 'Invalid ReportAttribute Value',
        };
    }

    /** The status of HTTP with which it is all that is answered; 200 where it stands in a report. */
    public function status(): int
    {
        return match ($this) {
            self::ServiceNotAvailable => 503,
            self::TooManyRequests => 429,
            self::InsufficientInformation, self::InvalidDates => 400,
            self::RequestorNotAuthorized, self::ApiKeyInvalid => 401,
            self::NotForInstitution => 403,
            self::ReportNotSupported, self::VersionNotSupported => 404,
            default => 200,
        };
    }

    /** @return array{Code: int, Message: string, Data?: string} */
    public function said(string $data = ''): array
    {
        return ['Code' => $this->value, 'Message' => $this->message()] + ($data === '' ? [] : ['Data' => $data]);
    }
}
