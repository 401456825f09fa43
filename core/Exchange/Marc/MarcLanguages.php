<?php

declare(strict_types=1);

namespace FigPorch\Core\Exchange\Marc;

/**
 * Languages in MARC are the bibliographic codes of ISO 639-2 (loc.gov/marc/languages); here they are tags of RFC 5646,
 * which begin with a code of ISO 639-1 where there is one. Compared with Debian's iso-codes in a test.
 */
final class MarcLanguages
{
    private const THREE =
        'aa:aar ab:abk ae:ave af:afr ak:aka am:amh an:arg ar:ara as:asm av:ava ay:aym az:aze ba:bak be:bel bg:bul ' .
        'bi:bis bm:bam bn:ben bo:tib br:bre bs:bos ca:cat ce:che ch:cha co:cos cr:cre cs:cze cu:chu cv:chv cy:wel ' .
        'da:dan de:ger dv:div dz:dzo ee:ewe el:gre en:eng eo:epo es:spa et:est eu:baq fa:per ff:ful fi:fin fj:fij ' .
        'fo:fao fr:fre fy:fry ga:gle gd:gla gl:glg gn:grn gu:guj gv:glv ha:hau he:heb hi:hin ho:hmo hr:hrv ht:hat ' .
        'hu:hun hy:arm hz:her ia:ina id:ind ie:ile ig:ibo ii:iii ik:ipk io:ido is:ice it:ita iu:iku ja:jpn jv:jav ' .
        'ka:geo kg:kon ki:kik kj:kua kk:kaz kl:kal km:khm kn:kan ko:kor kr:kau ks:kas ku:kur kv:kom kw:cor ky:kir ' .
        'la:lat lb:ltz lg:lug li:lim ln:lin lo:lao lt:lit lu:lub lv:lav mg:mlg mh:mah mi:mao mk:mac ml:mal mn:mon ' .
        'mr:mar ms:may mt:mlt my:bur na:nau nb:nob nd:nde ne:nep ng:ndo nl:dut nn:nno no:nor nr:nbl nv:nav ny:nya ' .
        'oc:oci oj:oji om:orm or:ori os:oss pa:pan pi:pli pl:pol ps:pus pt:por qu:que rm:roh rn:run ro:rum ru:rus ' .
        'rw:kin sa:san sc:srd sd:snd se:sme sg:sag si:sin sk:slo sl:slv sm:smo sn:sna so:som sq:alb sr:srp ss:ssw ' .
        'st:sot su:sun sv:swe sw:swa ta:tam te:tel tg:tgk th:tha ti:tir tk:tuk tl:tgl tn:tsn to:ton tr:tur ts:tso ' .
        'tt:tat tw:twi ty:tah ug:uig uk:ukr ur:urd uz:uzb ve:ven vi:vie vo:vol wa:wln wo:wol xh:xho yi:yid yo:yor ' .
        'za:zha zh:chi zu:zul';

    /** @var array<string, string> */
    private static array $table = [];

    /** No language, or it is not known, or there are several. */
    private const NONE = ['und', 'zxx', 'mul', 'mis', '|||', '   ', ''];

    /** @return string three letters, "und" for none */
    public static function three(?string $tag): string
    {
        $code = strtolower((string) strtok((string) $tag, '-'));

        return self::table()[$code] ?? (preg_match('/^[a-z]{3}$/D', $code) === 1 ? $code : 'und');
    }

    /** @return string|null a tag of RFC 5646; null where the code names no language */
    public static function tag(string $code): ?string
    {
        $code = strtolower(trim($code));
        if (in_array($code, self::NONE, true)) {
            return null;
        }

        return array_search($code, self::table(), true) ?: (preg_match('/^[a-z]{3}$/D', $code) === 1 ? $code : null);
    }

    /** @return array<string, string> three letters by two */
    public static function table(): array
    {
        if (self::$table === []) {
            foreach (explode(' ', self::THREE) as $pair) {
                [$two, $three] = explode(':', $pair);
                self::$table[$two] = $three;
            }
        }

        return self::$table;
    }
}
