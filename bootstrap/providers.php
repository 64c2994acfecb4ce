<?php

return [App\Providers\AwningProvider::class];
