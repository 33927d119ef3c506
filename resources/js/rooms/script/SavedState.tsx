import { Icon } from '../../ui/Icon';
import type { Saved } from './useAutosave';

/** Says in one place whether every word is safe. */
export function SavedState({ all }: { all: Saved[] }) {
    const refused = all.find((one): one is { refused: string } => typeof one === 'object');
    const open = all.some((one) => one === 'unsaved' || one === 'saving');
    return (
        <p className="saved-state mb-0" role="status">
            {refused ? (
                <span className="flag">
                    <Icon name="exclamation" /> Not saved: {refused.refused}
                </span>
            ) : open ? (
                'Saving...'
            ) : (
                <>
                    <Icon name="check" /> All saved
                </>
            )}
        </p>
    );
}
