<?php

declare(strict_types=1);

/** The floor under a month window: the same rows by bare PDO and json_encode, under the same server. */
$home = $_SERVER['ROTA_HOME'];
$environment = parse_ini_file("{$home}/.env", false, INI_SCANNER_RAW);
$database = new PDO("mysql:unix_socket={$environment['DB_SOCKET']};dbname={$environment['DB_DATABASE']};charset=utf8mb4", $environment['DB_USERNAME'], $environment['DB_PASSWORD'], [PDO::ATTR_ERRMODE => PDO::ERRMODE_EXCEPTION]);
$calendars = $database->query('SELECT calendar_id FROM calendar_layer')->fetchAll(PDO::FETCH_COLUMN);
$query = $database->prepare('SELECT o.calendar_id, o.event_id, o.series_id, o.recurrence_id, o.starts_at, o.ends_at, e.time_kind, e.title, e.place, e.status, e.busy, e.private, e.created_by
    FROM occurrences o JOIN events e ON e.id = o.event_id
    WHERE o.calendar_id IN ('.implode(',', array_map(intval(...), $calendars)).') AND o.span = 0 AND o.starts_at >= ? AND o.starts_at < ? ORDER BY o.starts_at');
$query->execute([$_GET['from'].' 00:00:00', $_GET['to'].' 00:00:00']);
header('Content-Type: application/json');
echo json_encode(['items' => $query->fetchAll(PDO::FETCH_ASSOC)]);
