import type { SyncSnapshot } from '../../page/ScriptSync';
import { Icon } from '../../ui/Icon';

const words = {
    saving: 'Saving...',
    unsaved: 'Saving...',
    offline: 'The server cannot be reached. Your words are kept in this browser and saved as soon as it can be.',
    conflict: 'Changed in another window: choose a version',
};

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
                    <Icon name="exclamation" /> {words[state.saved]}
                </span>
            ) : (
                words[state.saved]
            )}
        </p>
    );
}
