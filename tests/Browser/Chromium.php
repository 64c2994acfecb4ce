<?php

declare(strict_types=1);

namespace Tests\Browser;

use Facebook\WebDriver\Chrome\ChromeDevToolsDriver;
use Facebook\WebDriver\Chrome\ChromeOptions;
use Facebook\WebDriver\Exception\PhpWebDriverExceptionInterface;
use Facebook\WebDriver\Remote\DesiredCapabilities;
use Facebook\WebDriver\Remote\RemoteWebDriver;

/** A headless Chromium and its driver. A test that closes its browser leaves an empty one to the next test. */
final class Chromium
{
    /** @var list<self> those nobody uses */
    private static array $idle = [];

    public readonly RemoteWebDriver $driver;

    /** @var resource */
    private $service;

    private readonly string $profile;

    private bool $hasEnded = false;

    /** One with a viewport of that size, in px: an idle one, or a new one. */
    public static function taken(int $width, int $height): self
    {
        $chromium = array_pop(self::$idle) ?? new self;
        $chromium->devTools('Emulation.setDeviceMetricsOverride', [
            'width' => $width,
            'height' => $height,
            'deviceScaleFactor' => 1,
            'mobile' => false,
        ]);
        // Only now: a window that was closed still tells the server so, and the answer brings a cookie.
        $chromium->devTools('Network.clearBrowserCookies');

        return $chromium;
    }

    private function __construct()
    {
        $port = Browser::freePort();
        $service = proc_open(
            ['chromedriver', "--port=$port"],
            [0 => ['file', '/dev/null', 'r'], 1 => ['file', '/dev/null', 'w'], 2 => ['file', '/dev/null', 'w']],
            $pipes,
        );
        $this->service = is_resource($service) ? $service : throw new \RuntimeException('ChromeDriver did not start.');
        for ($tries = 0; ! self::answers($port); $tries++) {
            if ($tries > 200) {
                throw new \RuntimeException('ChromeDriver did not answer.');
            }
            usleep(50_000);
        }
        register_shutdown_function($this->end(...));
        $this->profile = sys_get_temp_dir().'/awning-chrome-'.bin2hex(random_bytes(6));
        $options = new ChromeOptions;
        $options->setBinary('/usr/bin/chromium');
        $options->addArguments([
            '--headless=new',
            '--no-sandbox',
            '--disable-gpu',
            '--disable-quic',
            '--no-first-run',
            '--no-default-browser-check',
            '--disable-background-networking',
            '--disable-component-update',
            '--disable-sync',
            '--disable-extensions',
            '--disable-dev-shm-usage',
            '--hide-scrollbars',
            '--force-device-scale-factor=1',
            '--force-color-profile=srgb',
            "--user-data-dir=$this->profile",
            '--window-size=1280,800',
        ]);
        $capabilities = DesiredCapabilities::chrome();
        $capabilities->setCapability(ChromeOptions::CAPABILITY, $options);
        $this->driver = RemoteWebDriver::create("http://127.0.0.1:$port", $capabilities, 30_000, 120_000);
    }

    /** Empties it of what a test left: windows, what the address keeps, and the log. Where that fails it ends. */
    public function giveBack(string $address): void
    {
        try {
            $used = $this->driver->getWindowHandles();
            $this->driver->newWindow();
            $empty = array_values(array_diff($this->driver->getWindowHandles(), $used))[0];
            foreach ($used as $window) {
                $this->driver->switchTo()->window($window);
                $this->driver->close();
            }
            $this->driver->switchTo()->window($empty);
            $this->devTools('Storage.clearDataForOrigin', ['origin' => $address, 'storageTypes' => 'all']);
            $this->driver->manage()->getLog('browser');
            self::$idle[] = $this;
        } catch (PhpWebDriverExceptionInterface) {
            $this->end();
        }
    }

    /** Without asking it: asked to quit, the driver may wait for pages that wait for a server that was killed. */
    private function end(): void
    {
        if ($this->hasEnded) {
            return;
        }
        $this->hasEnded = true;
        exec('pkill -KILL -f '.escapeshellarg($this->profile).' 2>/dev/null');
        proc_terminate($this->service, 9);
        proc_close($this->service);
        exec('rm -rf '.escapeshellarg($this->profile));
    }

    /** @param  array<string, mixed>  $parameters */
    public function devTools(string $command, array $parameters = []): void
    {
        (new ChromeDevToolsDriver($this->driver))->execute($command, $parameters);
    }

    private static function answers(int $port): bool
    {
        $curl = curl_init("http://127.0.0.1:$port/status");
        curl_setopt_array($curl, [CURLOPT_RETURNTRANSFER => true, CURLOPT_TIMEOUT => 2]);

        return curl_exec($curl) !== false;
    }
}
