<?php

namespace App\Events\Write;

/** What an operation on events is called. */
enum OperationKind: string
{
    case Add = 'add';
    case Change = 'change';
    case Delete = 'delete';
    case Restore = 'restore';
    case Bulk = 'bulk';
    case Weeks = 'weeks';
    case Import = 'import';
    case Refresh = 'refresh';
    case Answer = 'answer';
    case Pin = 'pin';
    case Unpin = 'unpin';
    case Join = 'join';
    case Leave = 'leave';
}
