<?php

return [
    App\RotaServiceProvider::class,
];
