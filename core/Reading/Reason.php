<?php

declare(strict_types=1);

namespace FigPorch\Core\Reading;

enum Reason: string
{
    case NotAnArchive = 'not a ZIP archive, or a damaged one';
    case TooLarge = 'unpacks to more than this library takes in';
    case EscapingPath = 'holds a file name that leads out of the publication';
    case BadName = 'holds a file name that cannot be stored: too long, too deep, or a folder that is a file too';
    case Encrypted = 'is encrypted';
    case NoContainer = 'has no META-INF/container.xml that names a package document';
    case BadXml = 'holds XML that cannot be read';
    case Entities = 'declares XML entities, which a publication may not do';
    case NoSpine = 'has no reading order';
    case MissingFile = 'lacks a file that its reading order names';
    case NoTitle = 'has no title';
    case BadManifest = 'has a publication.json that cannot be read';
    case UnknownKind = 'says in its publication.json neither that it is an audiobook, nor music, nor video';
    case BadPdf = 'is no PDF that can be read';
    case OfOthers = 'is an edition that another library has too, so its file is replaced by whoever runs the machine';
    case OfAnother = 'is the file of another title already';
    case OtherUse =
        'is for another use than the title it was sent for: one is read, listened to or watched, ' .
            'and the other is not';
    case NotPlayable = 'holds a file that no browser plays';
}
