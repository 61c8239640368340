<?php

/* The change log of access and settings (spatie/laravel-activitylog). */
return [

    'enabled' => true,

    'table_name' => 'activity_log',

    'database_connection' => null,

    'default_log_name' => 'calendar',

    'default_auth_driver' => null,

    'subject_returns_soft_deleted_models' => true,

    'activity_model' => Spatie\Activitylog\Models\Activity::class,

    'delete_records_older_than_days' => 3650,

];
