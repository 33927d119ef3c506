import { useSyncExternalStore } from 'react';
import { reach } from '../api/client';
import { Icon } from '../ui/Icon';

/** Says in any room that one has to sign in again: in another tab, so that what is in hand here goes on by itself behind it. */
export function SignedOut() {
    const { signedOut } = useSyncExternalStore(reach.subscribe, reach.snapshot);
    return (
        <div className="signed-out" role="status">
            {signedOut && (
                <p>
                    <Icon name="exclamation" /> You are signed out. What you type, and a take that is rolling, is kept
                    in this browser.{' '}
                    <a href="/sign-in" target="_blank" rel="noreferrer">
                        Sign in again
                    </a>
                    , and it goes on here by itself.
                </p>
            )}
        </div>
    );
}
