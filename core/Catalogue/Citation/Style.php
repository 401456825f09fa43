<?php

declare(strict_types=1);

namespace FigPorch\Core\Catalogue\Citation;

/** The styles in which a bibliography can be written, by the guide that each follows. */
enum Style: string
{
    /** Publication Manual of the American Psychological Association, 7th edition, chapters 9 and 10. */
    case Apa = 'apa';

    /** MLA Handbook, 9th edition, chapter 5. */
    case Mla = 'mla';

    /**
     * The Chicago Manual of Style, 18th edition, notes and bibliography, chapter 14: without the place of publication.
     */
    case Chicago = 'chicago';

    /** Author and date, after Cite Them Right, 12th edition. */
    case Harvard = 'harvard';

    /**
     * The ICMJE's recommendations, after Citing Medicine, 2nd edition; without the place of publication, which
     * catalogues of files do not know.
     */
    case Vancouver = 'vancouver';

    /** American Sociological Association Style Guide, 7th edition. */
    case Asa = 'asa';
}
