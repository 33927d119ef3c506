import { useSyncExternalStore } from 'react';
import { connectivity } from '../api/client';
import { Icon } from '../ui/Icon';

/** Says in any room that one has to sign in again: in another tab, so that what is in hand here goes on by itself behind it. */
export function SignedOut() {
    const { signedOut, instead } = useSyncExternalStore(connectivity.subscribe, connectivity.snapshot);
    return (
        <div className="signed-out" role="status">
            {signedOut && (
                <p>
                    <Icon name="exclamation" />{' '}
                    {instead === null ? 'You are signed out.' : `${instead} has signed in here since.`} What you type,
                    and a take that is rolling, is kept in this browser.{' '}
                    <a href={instead === null ? '/sign-in' : '/sign-in?as=another'} target="_blank" rel="noreferrer">
                        {instead === null ? 'Sign in again' : 'Sign in as yourself'}
                    </a>
                    , and it goes on here by itself.
                </p>
            )}
        </div>
    );
}
