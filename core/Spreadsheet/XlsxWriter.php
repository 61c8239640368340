<?php

declare(strict_types=1);

namespace PinnedRota\Core\Spreadsheet;

use RuntimeException;
use XMLWriter;

/**
 * Writes rows as a workbook of one sheet (Office Open XML, ECMA-376) row by row: memory does not grow with it. Every cell is a text,
 * so that a spreadsheet shows what is in it and works out nothing.
 */
final class XlsxWriter
{
    /** What a sheet has at most (ECMA-376, and what programs open). */
    public const MOST_ROWS = 1_048_576;

    private const MOST_CHARACTERS = 32_767;

    private const ROWS_AT_ONCE = 200;

    private const DECLARATION = '<?xml version="1.0" encoding="UTF-8" standalone="yes"?>'."\n";

    private const MAIN = 'http://schemas.openxmlformats.org/spreadsheetml/2006/main';

    private const RELATIONS = 'http://schemas.openxmlformats.org/package/2006/relationships';

    private const DOCUMENT = 'http://schemas.openxmlformats.org/officeDocument/2006/relationships';

    private const TYPES = 'application/vnd.openxmlformats-officedocument.spreadsheetml';

    public const MEDIA_TYPE = self::TYPES.'.sheet';

    /**
     * @param  resource  $stream
     * @param  iterable<list<string>>  $rows  the first with the names of the columns
     */
    public static function write(mixed $stream, iterable $rows): void
    {
        $zip = new ZipWriter($stream);
        foreach (self::parts() as $name => $part) {
            $zip->open($name);
            $zip->write(self::DECLARATION.$part);
        }
        $zip->open('xl/worksheets/sheet1.xml');
        $zip->write(self::DECLARATION.'<worksheet xmlns="'.self::MAIN.'"><sheetViews><sheetView workbookViewId="0"><pane ySplit="1" topLeftCell="A2" activePane="bottomLeft" state="frozen"/></sheetView></sheetViews><sheetData>');
        $xml = new XMLWriter;
        $xml->openMemory();
        $number = 0;
        foreach ($rows as $cells) {
            if (++$number > self::MOST_ROWS) {
                break;
            }
            self::row($xml, $number, $cells);
            if ($number % self::ROWS_AT_ONCE === 0) {
                $zip->write($xml->outputMemory());
            }
        }
        $zip->write($xml->outputMemory().'</sheetData></worksheet>');
        $zip->finish();
    }

    /**
     * The whole as octets: of what is small, or kept as it is.
     *
     * @param  iterable<list<string>>  $rows
     */
    public static function text(iterable $rows): string
    {
        $stream = fopen('php://temp', 'w+') ?: throw new RuntimeException('No temporary stream could be opened.');
        self::write($stream, $rows);
        rewind($stream);

        return (string) stream_get_contents($stream);
    }

    /** The name of a column by its number from 0 on: A, Z, AA. */
    public static function column(int $index): string
    {
        $name = '';
        for ($left = $index; $left >= 0; $left = intdiv($left, 26) - 1) {
            $name = chr(65 + $left % 26).$name;
        }

        return $name;
    }

    /** @param  list<string>  $cells */
    private static function row(XMLWriter $xml, int $number, array $cells): void
    {
        $xml->startElement('row');
        $xml->writeAttribute('r', (string) $number);
        foreach ($cells as $index => $text) {
            if ($text === '') {
                continue;
            }
            $xml->startElement('c');
            $xml->writeAttribute('r', self::column($index).$number);
            $xml->writeAttribute('t', 'inlineStr');
            if ($number === 1) {
                $xml->writeAttribute('s', '1');
            }
            $xml->startElement('is');
            $xml->startElement('t');
            $xml->writeAttribute('xml:space', 'preserve');
            $xml->text(self::fit($text));
            $xml->endElement();
            $xml->endElement();
            $xml->endElement();
        }
        $xml->endElement();
    }

    /** Without what XML 1.0 cannot say (2.2), and no longer than a cell holds. */
    private static function fit(string $text): string
    {
        $clean = preg_replace('/[^\x{9}\x{A}\x{D}\x{20}-\x{D7FF}\x{E000}-\x{FFFD}\x{10000}-\x{10FFFF}]/u', '', mb_scrub($text)) ?? '';

        return mb_substr($clean, 0, self::MOST_CHARACTERS);
    }

    /** @return array<string, string> what a workbook has besides its sheet, by path */
    private static function parts(): array
    {
        $override = static fn (string $part, string $type): string => "<Override PartName=\"/xl/{$part}\" ContentType=\"".self::TYPES.".{$type}+xml\"/>";
        $relation = static fn (int $id, string $type, string $target): string => "<Relationship Id=\"rId{$id}\" Type=\"".self::DOCUMENT."/{$type}\" Target=\"{$target}\"/>";

        return [
            '[Content_Types].xml' => '<Types xmlns="http://schemas.openxmlformats.org/package/2006/content-types"><Default Extension="rels" ContentType="application/vnd.openxmlformats-package.relationships+xml"/><Default Extension="xml" ContentType="application/xml"/>'
                .$override('workbook.xml', 'sheet.main').$override('worksheets/sheet1.xml', 'worksheet').$override('styles.xml', 'styles').'</Types>',
            '_rels/.rels' => '<Relationships xmlns="'.self::RELATIONS.'">'.$relation(1, 'officeDocument', 'xl/workbook.xml').'</Relationships>',
            'xl/workbook.xml' => '<workbook xmlns="'.self::MAIN.'" xmlns:r="'.self::DOCUMENT.'"><sheets><sheet name="Events" sheetId="1" r:id="rId1"/></sheets></workbook>',
            'xl/_rels/workbook.xml.rels' => '<Relationships xmlns="'.self::RELATIONS.'">'.$relation(1, 'worksheet', 'worksheets/sheet1.xml').$relation(2, 'styles', 'styles.xml').'</Relationships>',
            // Two looks: plain, and bold for the heads.
            'xl/styles.xml' => '<styleSheet xmlns="'.self::MAIN.'"><fonts count="2"><font/><font><b/></font></fonts><fills count="2"><fill><patternFill patternType="none"/></fill><fill><patternFill patternType="gray125"/></fill></fills><borders count="1"><border/></borders>'
                .'<cellStyleXfs count="1"><xf/></cellStyleXfs><cellXfs count="2"><xf xfId="0"/><xf fontId="1" xfId="0" applyFont="1"/></cellXfs></styleSheet>',
        ];
    }
}
