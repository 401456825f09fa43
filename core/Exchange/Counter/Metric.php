<?php

declare(strict_types=1);

namespace FigPorch\Core\Exchange\Counter;

/** What is counted, by its name in COUNTER Release 5.1; in the order of its reports. */
enum Metric: string
{
    case SearchesAutomated = 'Searches_Automated';
    case SearchesFederated = 'Searches_Federated';
    case SearchesPlatform = 'Searches_Platform';
    case SearchesRegular = 'Searches_Regular';
    case TotalItemInvestigations = 'Total_Item_Investigations';
    case TotalItemRequests = 'Total_Item_Requests';
    case UniqueItemInvestigations = 'Unique_Item_Investigations';
    case UniqueItemRequests = 'Unique_Item_Requests';
    case UniqueTitleInvestigations = 'Unique_Title_Investigations';
    case UniqueTitleRequests = 'Unique_Title_Requests';
    case LimitExceeded = 'Limit_Exceeded';
    case NoLicense = 'No_License';
}
