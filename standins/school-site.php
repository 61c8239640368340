<?php

declare(strict_types=1);

/**
 * The site of a school, kept by somebody else at another address, with whatever line of HTML they were given put into it: so it
 * takes one as it is, which no page of ours does.
 */
function schoolSite(string $line): void
{
    // The application is on the port below this one.
    $own = 'http://127.0.0.1:'.((int) $_SERVER['SERVER_PORT'] - 1);
    $line = $line === '' ? '<iframe src="'.$own.'/p/open-days/frame" title="Launches and open days" style="width:100%;height:600px;border:0" loading="lazy" data-height="content"></iframe><script src="'.$own.'/frame.js" async></script>' : $line;
    header('Content-Type: text/html; charset=utf-8');
    echo <<<HTML
        <!doctype html>
        <html lang="en">
        <head><meta charset="utf-8"><meta name="viewport" content="width=device-width, initial-scale=1"><title>Skerrin Quay School of Boatbuilding</title>
        <style>body{margin:0 auto;max-width:900px;padding:24px;font:16px/1.5 Georgia,serif;background:#f4f7f9;color:#16232b}nav a{margin-right:16px;color:#0d5c75}</style></head>
        <body><h1>Skerrin Quay School of Boatbuilding</h1><nav><a href="#">Courses</a><a href="#">The yard</a><a href="#">Visit us</a></nav>
        <h2>What is on</h2>{$line}<p>Come by the ferry, or along the quay.</p></body></html>
        HTML;
}
