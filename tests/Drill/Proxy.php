<?php

declare(strict_types=1);

namespace Tests\Drill;

use Symfony\Component\Process\Process;

/** A web server that speaks HTTPS and stands before an installation, as a studio has one. */
final class Proxy
{
    public readonly string $folder;

    private readonly Process $nginx;

    public function __construct(private readonly Installation $installation)
    {
        $this->folder = "$installation->folder/var/proxy";
    }

    /** Where it is reached: by name, at the address the installation was told. */
    public function address(): string
    {
        return 'https://'.Installation::HOST.":{$this->installation->securePort}";
    }

    public function certificate(): string
    {
        return "$this->folder/certificate";
    }

    /** As curl takes it: the name is that of this machine. */
    public function resolved(): string
    {
        return Installation::HOST.":{$this->installation->securePort}:127.0.0.1";
    }

    public function start(): void
    {
        [$folder, $host, $port] = [$this->folder, Installation::HOST, $this->installation->port];
        if (! is_dir($folder)) {
            mkdir($folder);
            (new Process([
                'openssl',
                'req',
                '-x509',
                '-newkey',
                'rsa:2048',
                '-nodes',
                '-keyout',
                "$folder/key",
                '-out',
                "$folder/certificate",
                '-days',
                '2',
                '-subj',
                "/CN=$host",
                '-addext',
                "subjectAltName=DNS:$host",
            ]))->mustRun();
        }
        $user = posix_geteuid() === 0 ? 'user root;' : '';
        file_put_contents(
            "$folder/nginx.conf",
            <<<CONF
            daemon off; worker_processes 1; pid $folder/pid; error_log $folder/log; $user
            events { worker_connections 128; }
            http {
                access_log off; client_body_temp_path $folder/body; proxy_temp_path $folder/temp; fastcgi_temp_path $folder/f; uwsgi_temp_path $folder/u; scgi_temp_path $folder/s;
                server {
                    listen 127.0.0.1:{$this->installation->securePort} ssl;
                    server_name $host;
                    ssl_certificate $folder/certificate; ssl_certificate_key $folder/key;
                    client_max_body_size 256m;
                    location / {
                        proxy_pass http://127.0.0.1:$port;
                        proxy_request_buffering off;
                        proxy_set_header Host \$http_host;
                        proxy_set_header X-Forwarded-For \$remote_addr;
                        proxy_set_header X-Forwarded-Proto https;
                    }
                }
            }
            CONF
            ,
        );
        $this->nginx = new Process(['/usr/sbin/nginx', '-p', $folder, '-c', "$folder/nginx.conf"]);
        $this->nginx->start();
        for ($tries = 0; $tries < 100 && @fsockopen('127.0.0.1', $this->installation->securePort) === false; $tries++) {
            usleep(50_000);
        }
    }

    public function stop(): void
    {
        $this->nginx->stop(3);
    }
}
