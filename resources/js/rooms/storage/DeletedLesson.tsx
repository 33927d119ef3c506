import Button from 'react-bootstrap/Button';
import type { StoredLesson } from '../../api/types';
import { room } from '../../lib/time';
import { CanGo } from './CanGo';

interface Props {
    lesson: StoredLesson;
    disabled: boolean;
    onRestore: () => void;
    onDelete: () => void;
}

/** A lesson that is off the shelf: it comes back, or goes for good. */
export function DeletedLesson({ lesson, disabled, onRestore, onDelete }: Props) {
    const { title, bytes } = lesson;
    return (
        <CanGo
            verb="Delete for good"
            label={`Delete ${title} for good`}
            disabled={disabled}
            ask={`All that was recorded for ${title}, its films and its page on the course site go with it, for ever.`}
            onGo={onDelete}
        >
            <strong>
                {title} is off the shelf, {room(bytes)}.
            </strong>{' '}
            It is as it was.{' '}
            <Button size="sm" variant="quiet" disabled={disabled} onClick={onRestore}>
                Put it back on the shelf
            </Button>
        </CanGo>
    );
}
