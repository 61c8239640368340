<?php

namespace App\Http\Middleware;

use App\Frames\CurrentFrame;
use App\Frames\FrameSites;
use Closure;
use Illuminate\Contracts\Auth\Factory;
use Illuminate\Contracts\Config\Repository;
use Illuminate\Http\Request;
use Illuminate\Session\SessionManager;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\HttpKernel\Exception\AccessDeniedHttpException;
use Symfony\Component\HttpKernel\Exception\NotFoundHttpException;

/**
 * What comes out of a frame on another site has a session of that frame alone: its cookie is partitioned, so the browser has one for each
 * site that shows it, and the session of the product itself is never looked at. Less is done there than here: what is not named below is
 * refused, so that nobody is led to it by what lies over a frame.
 */
final class WithinFrame
{
    public const HEADER = 'X-Rota-Frame';

    public const COOKIE = 'rota_members';

    /** What the sheet and an event need, by their routes. */
    private const READ = [
        'session', 'changes', 'live', 'directory', 'calendars', 'categories', 'groups', 'rooms', 'overlays', 'sheet', 'sheet/since', 'ruler', 'waiting', 'jobs', 'tasks', 'table', 'find', 'line', 'places', 'when', 'repeat',
        'organisation/first-steps', 'calendars/{slug}/pins', 'calendars/{slug}/unseeing', 'events/{id}', 'events/{id}/history', 'events/{id}/pages', 'events/{id}/file', 'events/{id}/attachments/{attachment}',
    ];

    /** What is done there. */
    private const DONE = ['POST session', 'DELETE session', 'POST overlays/counts', 'POST sheet/shows', 'PUT visit', 'PUT events/{id}/answer', 'POST events/{id}/join', 'DELETE events/{id}/join'];

    /** What is done besides in one that allows changes. */
    private const CHANGED = ['POST events', 'PATCH events/{id}', 'POST operations/{id}/undo', 'POST operations/{id}/redo'];

    public function __construct(private readonly CurrentFrame $current, private readonly FrameSites $sites, private readonly SessionManager $sessions, private readonly Repository $config, private readonly Factory $auth)
    {
    }

    /** @param  Closure(Request): Response  $next */
    public function handle(Request $request, Closure $next): Response
    {
        // What the browser asks itself, such as a file, has no headers of ours.
        $key = $request->header(self::HEADER) ?? ($request->isMethodSafe() ? $request->query('frame') : null);
        if (! is_string($key)) {
            return $next($request);
        }
        $frame = $this->sites->find($key) ?? throw new NotFoundHttpException('This frame was taken back.');
        $this->demandAllowed($request, $frame->may_change);
        $this->current->frame = $frame;
        $before = $this->config->get('session');
        $this->config->set('session', ['cookie' => self::COOKIE, 'same_site' => 'none', 'secure' => true, 'partitioned' => true] + $before);
        $this->sessions->driver()->setName(self::COOKIE);
        // Where the site is a neighbour of ours, the browser sends along what whoever signed in here is known by.
        $request->cookies->remove((string) $before['cookie']);
        $request->cookies->remove($this->auth->guard('web')->getRecallerName());
        // Nobody stays signed in on other people's sites.
        $request->merge($request->has('stay') ? ['stay' => false] : []);
        try {
            return $next($request);
        } finally {
            $this->config->set('session', $before);
            $this->sessions->driver()->setName((string) $before['cookie']);
        }
    }

    private function demandAllowed(Request $request, bool $mayChange): void
    {
        $route = substr((string) $request->route()?->uri(), strlen('api/v1/'));
        $asked = "{$request->method()} {$route}";
        if (! ($request->isMethodSafe() ? in_array($route, self::READ, true) : in_array($asked, [...self::DONE, ...($mayChange ? self::CHANGED : [])], true))) {
            throw new AccessDeniedHttpException('This is not done in a frame on another site. Open it in a window of its own.');
        }
    }
}
