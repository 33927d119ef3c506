import { useQuery } from '@tanstack/react-query';
import { useEffect, useState, useSyncExternalStore } from 'react';
import Alert from 'react-bootstrap/Alert';
import Button from 'react-bootstrap/Button';
import ProgressBar from 'react-bootstrap/ProgressBar';
import { Link } from 'react-router';
import { api } from '../../api/client';
import { FileSender, type Receiver } from '../../api/FileSender';
import { sendPiece } from '../../api/pieces';
import { queryClient } from '../../api/queries';
import type { Arrival } from '../../api/types';
import { FilePick } from '../../ui/FilePick';
import { SendingBar } from '../../ui/SendingBar';
import { useStored } from '../../ui/useStored';

const LARGEST = 64 * 1024 ** 3;
const KEY = ['archives'];

const archive: Receiver<string> = {
    place: 'reel.archive',
    begin: async (file) => (await api.post<Arrival>('archives', { name: file.name })).id,
    async next(id) {
        const found = await api.get<Arrival>(`archives/${id}`);
        return found.state === 'waiting' && !found.whole ? found.next_chunk : null;
    },
    piece: (id, number, piece) => sendPiece(`archives/${id}/chunks/${number}`, piece),
    finish: async (id, _, bytes) => {
        await api.post(`archives/${id}/finish`, { bytes });
    },
    giveUp: (id) => api.post(`archives/${id}/cancel`),
};

const isOpen = (one: Arrival) => one.whole && (one.state === 'waiting' || one.state === 'running');

/** Archives of lessons and courses on their way in, and what became of those that this browser has brought in. */
export function ImportArchive() {
    const [sender] = useState(() => new FileSender<string>());
    const now = useSyncExternalStore(sender.subscribe, sender.snapshot);
    const isSending = now.state === 'sending' || now.state === 'waiting';
    // Outlives the page: one may be elsewhere when it is done.
    const [kept, keep] = useStored('archives/told');
    const told = kept.split(' ');
    const { data: arrivals = [] } = useQuery({
        queryKey: KEY,
        queryFn: () => api.get<Arrival[]>('archives'),
        refetchInterval: (query) => (query.state.data?.some(isOpen) ? 700 : false),
    });
    const open = arrivals.filter(isOpen);
    const count = open.length;
    useEffect(() => {
        if (count === 0) {
            void queryClient.invalidateQueries({ queryKey: ['lessons'] });
            void queryClient.invalidateQueries({ queryKey: ['courses'] });
        }
    }, [count]);
    const send = async (file: File) => {
        const id = await sender.send(file, archive, LARGEST);
        if (id) {
            keep(`${kept} ${id}`.trim());
            await queryClient.invalidateQueries({ queryKey: KEY });
        }
    };
    const close = (id: string) => keep(told.filter((one) => one !== id).join(' '));
    return (
        <div className="bring-archive" aria-live="polite">
            {isSending ? (
                <div className="panel-row">
                    <div className="flex-grow-1">
                        <SendingBar now={now} />
                    </div>
                    <Button size="sm" variant="quiet" onClick={() => void sender.cancel()}>
                        Cancel
                    </Button>
                </div>
            ) : (
                <SendingBar now={now} />
            )}
            {open.map((one) => (
                <div key={one.id} className="panel-row">
                    <div className="flex-grow-1">
                        <p className="mb-1">Looking through {one.name} and bringing in what is in it</p>
                        <ProgressBar
                            now={one.done}
                            max={Math.max(1, one.total)}
                            aria-label={`Bringing in ${one.name}`}
                        />
                    </div>
                    <Button
                        size="sm"
                        variant="quiet"
                        onClick={() =>
                            void api
                                .post(`archives/${one.id}/cancel`)
                                .finally(() => queryClient.invalidateQueries({ queryKey: KEY }))
                        }
                    >
                        Cancel
                    </Button>
                </div>
            ))}
            {arrivals
                .filter((one) => told.includes(one.id) && !isOpen(one))
                .map((one) => (
                    <Became key={one.id} arrival={one} onClose={() => close(one.id)} />
                ))}
            {!isSending && (
                <label className="btn btn-quiet">
                    Bring in an archive
                    <FilePick
                        label="Archive of a lesson or a course"
                        accept=".zip"
                        onFile={(file) => void send(file)}
                    />
                </label>
            )}
        </div>
    );
}

function Became({ arrival, onClose }: { arrival: Arrival; onClose: () => void }) {
    if (arrival.state !== 'done') {
        return arrival.state === 'failed' ? (
            <Alert variant="warning" dismissible onClose={onClose} className="mb-0">
                {arrival.problem}
            </Alert>
        ) : null;
    }
    const others = arrival.made.filter((one) => !one.same);
    return (
        <Alert variant="success" dismissible onClose={onClose} className="mb-0">
            Brought in:{' '}
            {arrival.made.map((one, n) => (
                <span key={one.id}>
                    {n > 0 && ', '}
                    <Link to={`/lessons/${one.id}`}>{one.title}</Link>
                </span>
            ))}
            .{' '}
            {others.length > 0
                ? `This version puts some of it together otherwise: watch ${titles(others)} before you export.`
                : arrival.made.length === 1
                  ? 'Its film is the same here, to the frame.'
                  : 'Their films are the same here, to the frame.'}
        </Alert>
    );
}

const titles = (lessons: Arrival['made']): string => lessons.map((one) => one.title).join(', ');
