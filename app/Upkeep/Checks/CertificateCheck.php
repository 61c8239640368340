<?php

namespace App\Upkeep\Checks;

use App\Upkeep\Check;
use App\Upkeep\Finding;

/** Until when browsers take the certificate of the site. */
final class CertificateCheck implements Check
{
    /** In days, before it ends. */
    private const AHEAD = 14;

    /** @param  ?int  $ends  until when the certificate holds, in UTC seconds; null: ask the site */
    public function __construct(private readonly ?int $ends = null)
    {
    }

    public function findings(): iterable
    {
        $ends = $this->ends ?? $this->endOfCertificate();
        if ($ends !== null && $ends < time() + self::AHEAD * 86_400) {
            yield new Finding('The certificate of the site ends on '.gmdate('j F Y', $ends).': browsers refuse the site from then on.', 'Renew it, and reload nginx.');
        }
    }

    /** In UTC seconds; null where there is none to look at: that nothing answers is said by WebCheck. */
    private function endOfCertificate(): ?int
    {
        $url = parse_url((string) config('app.url'));
        if (($url['scheme'] ?? '') !== 'https' || ! isset($url['host'])) {
            return null;
        }
        $context = stream_context_create(['ssl' => ['capture_peer_cert' => true, 'verify_peer' => false, 'verify_peer_name' => false]]);
        $stream = @stream_socket_client("ssl://{$url['host']}:".($url['port'] ?? 443), timeout: 10, context: $context);
        if ($stream === false) {
            return null;
        }
        $certificate = openssl_x509_parse(stream_context_get_params($stream)['options']['ssl']['peer_certificate']);
        fclose($stream);

        return is_array($certificate) ? (int) $certificate['validTo_time_t'] : null;
    }
}
