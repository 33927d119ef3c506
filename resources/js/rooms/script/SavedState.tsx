import type { SyncSnapshot } from '../../page/ScriptSync';
import { Icon } from '../../ui/Icon';

const words = {
    saving: 'Saving...',
    unsaved: 'Saving...',
    offline: 'Not saved yet. Your words are kept in this browser.',
    conflict: 'Changed in another window: choose a version',
};

const noRoom =
    'Not saved yet, and this browser has no room to keep your words. Leave this window open until they are saved.';

/** Says in one place whether every word is safe. */
export function SavedState({ state }: { state: SyncSnapshot }) {
    return (
        <p className="saved-state mb-0" role="status">
            {state.saved === 'saved' ? (
                <>
                    <Icon name="check" /> All saved
                </>
            ) : state.saved === 'refused' ? (
                <span className="flag">
                    <Icon name="exclamation" /> Not saved: {state.problem}
                </span>
            ) : state.saved === 'offline' || state.saved === 'conflict' ? (
                <span className="flag">
                    <Icon name="exclamation" /> {state.kept ? words[state.saved] : noRoom}
                </span>
            ) : (
                words[state.saved]
            )}
        </p>
    );
}
