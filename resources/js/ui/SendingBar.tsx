import Alert from 'react-bootstrap/Alert';
import ProgressBar from 'react-bootstrap/ProgressBar';
import type { Sending } from '../api/FileSender';
import { megabytes } from '../lib/time';

/** How much of a large file has arrived, and why no more does. */
export function SendingBar({ now }: { now: Sending }) {
    if (now.state === 'failed') {
        return (
            <Alert variant="warning" className="mb-0">
                {now.problem}
            </Alert>
        );
    }
    if (now.state !== 'sending' && now.state !== 'waiting') {
        return null;
    }
    return (
        <div role="status">
            <ProgressBar now={now.of === 0 ? 0 : (100 * now.sent) / now.of} aria-label="How much has arrived" />
            <p className="soft mb-0">
                {megabytes(now.sent)} of {megabytes(now.of)}.{' '}
                {now.state === 'waiting'
                    ? 'The server is away; it goes on by itself. Leave this page open.'
                    : 'You can close this; leave the page open.'}
            </p>
        </div>
    );
}
