<?php

declare(strict_types=1);

namespace App\Web;

use App\Media\DiskFull;
use App\Media\InfrastructureFailure;
use App\Media\Program;
use App\OperationRejected;
use Symfony\Component\Process\Process;

/**
 * A small certificate authority of this installation's own, for its addresses on the local network and nothing else: what it
 * vouches for is limited in itself (RFC 5280, section 4.2.1.10), so that whoever trusts it trusts it with this only.
 */
final class Authority
{
    private const YEARS = 10;

    /** Of the server's certificate; browsers take none that lasts longer than 398. */
    private const DAYS = 90;

    /** Renewed when fewer days are left. */
    private const RENEWED_DAYS = 30;

    /** Networks of homes and offices (RFC 1918, RFC 3927, RFC 4193, RFC 4291): every address there may be this machine's one day. */
    private const NETWORKS = [
        '10.0.0.0/255.0.0.0', '172.16.0.0/255.240.0.0', '192.168.0.0/255.255.0.0', '169.254.0.0/255.255.0.0', '127.0.0.0/255.0.0.0',
        'fc00::/fe00::', 'fe80::/ffc0::',
    ];

    /** A name of a machine (RFC 1123, section 2.1). */
    private const NAME = '/^(?=.{1,253}$)[a-z0-9]([a-z0-9-]*[a-z0-9])?(\.[a-z0-9]([a-z0-9-]*[a-z0-9])?)*$/iD';

    /** @param  string  $folder  for keys and certificates, for this user only */
    public function __construct(private readonly string $folder)
    {
    }

    public static function here(): self
    {
        return new self((string) config('reel.authority'));
    }

    /** @return string path of what phones are told to trust, PEM */
    public function certificate(): string
    {
        return "{$this->folder}/authority.pem";
    }

    public function server(): Certificate
    {
        return new Certificate("{$this->folder}/server.pem", "{$this->folder}/server.key");
    }

    /** @return string SHA-256 of the authority's certificate, in pairs of digits as devices show it */
    public function fingerprint(): string
    {
        $hash = (string) openssl_x509_fingerprint((string) file_get_contents($this->certificate()), 'sha256');

        return strtoupper(implode(':', str_split($hash, 2)));
    }

    /** @return int|null seconds since 1970 at which the server's certificate ends; null where there is none */
    public function endsAt(): ?int
    {
        $read = openssl_x509_parse((string) @file_get_contents($this->server()->chain));

        return $read === false ? null : (int) $read['validTo_time_t'];
    }

    /**
     * Makes what is missing: the authority once, the server's certificate when names or addresses have changed or it ends soon.
     *
     * @param  list<string>  $addresses  IP addresses of this machine
     * @param  string|null  $name  by which it is found in the network
     * @return bool whether the server's certificate is a new one
     *
     * @throws OperationRejected when the name is none
     * @throws InfrastructureFailure
     */
    public function issue(array $addresses, ?string $name): bool
    {
        if ($name !== null && preg_match(self::NAME, $name) !== 1) {
            throw OperationRejected::badInput("{$name} is no name of a machine.");
        }
        is_dir($this->folder) || @mkdir($this->folder, 0o700, true) || throw DiskFull::writing('the certificates');
        $names = array_map(fn (string $one): string => "IP:{$one}", $addresses);
        array_push($names, ...$name === null ? [] : ["DNS:{$name}"], ...['DNS:localhost']);
        if (is_file($this->certificate()) && $this->named() === $names && $this->daysLeft() > self::RENEWED_DAYS) {
            return false;
        }
        is_file($this->certificate()) || $this->make($names);
        $this->sign($names);
        if (! $this->isTrusted()) {
            // An address or name that it may not vouch for: another authority, which phones have to be told of.
            $this->make($names);
            $this->sign($names);
        }
        file_put_contents("{$this->folder}/names", implode("\n", $names));

        return true;
    }

    /** @return list<string> whom the server's certificate is for */
    private function named(): array
    {
        return explode("\n", (string) @file_get_contents("{$this->folder}/names"));
    }

    private function daysLeft(): int
    {
        return intdiv(($this->endsAt() ?? 0) - time(), 86_400);
    }

    /** @param  list<string>  $names */
    private function make(array $names): void
    {
        $permitted = array_map(fn (string $network): string => "permitted;IP:{$network}", self::NETWORKS);
        $permitted[] = 'permitted;DNS:local';
        foreach ($names as $name) {
            [$kind, $value] = explode(':', $name, 2);
            $permitted[] = 'permitted;'.($kind === 'DNS' ? $name : "IP:{$value}/".(str_contains($value, ':')
                ? 'ffff:ffff:ffff:ffff:ffff:ffff:ffff:ffff' : '255.255.255.255'));
        }
        $config = $this->write('authority.cnf', implode("\n", [
            '[req]', 'distinguished_name = name', 'prompt = no', 'x509_extensions = extensions', '[name]',
            // Phones list what they trust by name: the date tells one from another.
            'CN = Open Reel on '.(gethostname() ?: 'this computer').', '.date('j F Y'),
            '[extensions]', 'basicConstraints = critical, CA:TRUE, pathlen:0', 'keyUsage = critical, keyCertSign, cRLSign',
            'subjectKeyIdentifier = hash', 'nameConstraints = critical, '.implode(', ', $permitted), '',
        ]));
        $this->key('authority.key');
        $this->openssl(
            'req', '-x509', '-new', '-sha256', '-days', (string) (365 * self::YEARS), '-key', "{$this->folder}/authority.key",
            '-config', $config, '-out', $this->certificate(),
        );
    }

    /** @param  list<string>  $names */
    private function sign(array $names): void
    {
        $this->key('server.key.new');
        $config = $this->write('server.cnf', implode("\n", [
            '[req]', 'distinguished_name = name', 'prompt = no', '[name]', 'CN = Open Reel', '[extensions]',
            'basicConstraints = critical, CA:FALSE', 'keyUsage = critical, digitalSignature', 'extendedKeyUsage = serverAuth',
            'subjectKeyIdentifier = hash', 'authorityKeyIdentifier = keyid', 'subjectAltName = '.implode(', ', $names), '',
        ]));
        $request = "{$this->folder}/server.csr";
        $this->openssl('req', '-new', '-sha256', '-key', "{$this->folder}/server.key.new", '-config', $config, '-out', $request);
        $this->openssl(
            'x509', '-req', '-sha256', '-days', (string) self::DAYS, '-in', $request, '-CA', $this->certificate(),
            '-CAkey', "{$this->folder}/authority.key", '-CAserial', "{$this->folder}/serial", '-CAcreateserial',
            '-extfile', $config, '-extensions', 'extensions', '-out', "{$this->folder}/server.pem.new",
        );
        // Both are exchanged only when both are there.
        rename("{$this->folder}/server.key.new", $this->server()->key);
        rename("{$this->folder}/server.pem.new", $this->server()->chain);
        unlink($request);
    }

    private function isTrusted(): bool
    {
        $verify = new Process(['openssl', 'verify', '-CAfile', $this->certificate(), $this->server()->chain]);

        return $verify->run() === 0;
    }

    private function key(string $file): void
    {
        $this->openssl('genpkey', '-algorithm', 'EC', '-pkeyopt', 'ec_paramgen_curve:P-256', '-out', "{$this->folder}/{$file}");
        chmod("{$this->folder}/{$file}", 0o600);
    }

    private function write(string $file, string $text): string
    {
        if (@file_put_contents("{$this->folder}/{$file}", $text) === false) {
            throw DiskFull::writing('the certificates');
        }

        return "{$this->folder}/{$file}";
    }

    private function openssl(string ...$arguments): void
    {
        Program::run(['openssl', ...array_values($arguments)], seconds: 60);
    }
}
