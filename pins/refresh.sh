#!/usr/bin/env bash
# Writes pins/composer.json anew from what is installed: every package by its exact version, without naming a registry.
cd "$(dirname "$0")/.." && php -r '
$installed = require "vendor/composer/installed.php";
$pins = [];
foreach ($installed["versions"] as $name => $package) {
    if (isset($package["version"], $package["install_path"]) && ! str_starts_with($name, "awning/")) { $pins[$name] = $package["pretty_version"]; }
}
ksort($pins);
file_put_contents("pins/composer.json", json_encode(["name" => "awning/pins", "description" => "Every installed package by its exact version; made by pins/refresh.sh", "version" => "1.0.0", "type" => "metapackage", "require" => $pins], JSON_PRETTY_PRINT | JSON_UNESCAPED_SLASHES)."\n");
'
