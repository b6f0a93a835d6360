<?php

declare(strict_types=1);

namespace App\Models;

/** What the audit log takes down: ways in, rights, and what is carried out of the workshop. */
enum Happening: string
{
    case Opened = 'workshop_opened';
    case SignedIn = 'signed_in';
    case Refused = 'sign_in_refused';
    case SignedOut = 'signed_out';
    case SignInEnded = 'sign_in_ended';
    case Denied = 'denied';
    case Invited = 'invited';
    case Joined = 'joined';
    case ResetLinked = 'reset_linked';
    case LinkTakenBack = 'link_taken_back';
    case PasswordReset = 'password_reset';
    case PasswordChanged = 'password_changed';
    case RoleChanged = 'role_changed';
    case Left = 'left';
    case LetIn = 'let_in';
    case TokenMade = 'token_made';
    case TokenTakenBack = 'token_taken_back';
    case Exported = 'exported';
    case Imported = 'imported';
    case CustomerErased = 'customer_erased';
    case GatePassed = 'gate_passed';
    case PutAway = 'job_put_away';
    case TakenOut = 'job_taken_out';

    /** What an entry says, with its particulars between braces. */
    public function words(): string
    {
        return match ($this) {
            self::Opened => 'opened the workshop',
            self::SignedIn => 'signed in',
            self::Refused => 'was refused at sign-in: wrong password',
            self::SignedOut => 'signed out',
            self::SignInEnded => 'ended {count} other sign-ins',
            self::Denied => 'was denied {method} {path}: {why}',
            self::Invited => 'made an invitation for {name} as {role}',
            self::Joined => 'joined as {role}',
            self::ResetLinked => 'made a link for a new password of {name}',
            self::LinkTakenBack => 'took back a link for {name}',
            self::PasswordReset => 'set a new password by link; sign-ins and tokens ended',
            self::PasswordChanged => 'changed the own password; other sign-ins ended',
            self::RoleChanged => 'made {name} {role}, before {before}',
            self::Left => 'entered that {name} left; sign-ins and tokens ended',
            self::LetIn => 'let {name} in again as {role}',
            self::TokenMade => 'made the token "{name}", {rights}',
            self::TokenTakenBack => 'took back the token "{name}"',
            self::Exported => 'took out {thing} of job {job}, revision {revision}',
            self::Imported => 'put a job file into job {job}',
            self::CustomerErased => 'erased customer {customer}: {what}',
            self::PutAway => 'put job {job} away: {title}',
            self::TakenOut => 'took job {job} out again: {title}',
            self::GatePassed => 'passed "{gate}" of job {job} without its proof ({read}): {why}',
        };
    }
}
