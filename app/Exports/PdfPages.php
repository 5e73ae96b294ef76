<?php

declare(strict_types=1);

namespace App\Exports;

use TCPDF;

/** A PDF that is the same bytes for the same content: no clock and no chance in it; fonts embedded. */
final class PdfPages extends TCPDF
{
    /** Made on this day, as far as the file says: the moment when it was made is nobody's. */
    private const MADE = 946684800;

    public const FONT = 'dejavusans';

    public const BOLD = 'dejavusansb';

    public static function on(Paper $paper, string $title, bool $lying = false): self
    {
        // Its successor does not install on PHP 8.2; the library says so at each start, once.
        defined('TCPDF_SILENCE_DEPRECATION') || define('TCPDF_SILENCE_DEPRECATION', true);
        $pdf = new self($lying ? 'L' : 'P', 'mm', $paper->size(), true, 'UTF-8');
        $pdf->tcpdflink = false;
        $pdf->file_id = md5($title);
        $pdf->doc_creation_timestamp = $pdf->doc_modification_timestamp = self::MADE;
        $pdf->setCreator('Kelp Tub');
        $pdf->setTitle($title);
        $pdf->setPrintHeader(false);
        $pdf->setPrintFooter(false);
        $pdf->setMargins(0, 0, 0);
        $pdf->setAutoPageBreak(false);
        $pdf->setFont(self::FONT, '', 9);
        $pdf->setViewerPreferences(['PrintScaling' => 'None']);

        return $pdf;
    }

    /**
     * The library begins with a face that it does not embed, whatever is used; here every face is.
     *
     * @param  string  $family
     * @param  string  $style
     * @param  string  $fontfile
     * @param  mixed  $subset
     * @return array<string, mixed>|false
     */
    public function AddFont($family, $style = '', $fontfile = '', $subset = 'default')
    {
        return parent::AddFont($family === 'helvetica' ? self::FONT : $family, $style, $fontfile, $subset);
    }

    public function bytes(): string
    {
        return (string) $this->Output('', 'S');
    }
}
