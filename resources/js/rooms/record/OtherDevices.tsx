import { useEffect, useRef, useState } from 'react';
import Button from 'react-bootstrap/Button';
import Modal from 'react-bootstrap/Modal';
import { useAnswerPairing, useEndDevice, usePairedDevices, useShowCode } from '../../api/pairedDevices';
import type { PairedDevices } from '../../api/types';
import { qrCode } from '../../lib/qrCode';
import { clock, day } from '../../lib/time';
import { Icon } from '../../ui/Icon';
import { useNotices } from '../../ui/Notices';

/** Phones and tablets that follow the room: letting them in, and out again. */
export function OtherDevices({ open, onClose }: { open: boolean; onClose: () => void }) {
    const { failed } = useNotices();
    const [code, setCode] = useState<string | null>(null);
    const { data } = usePairedDevices(open);
    const show = useShowCode();
    const answer = useAnswerPairing();
    const end = useEndDevice();
    const begin = () => show.mutate(undefined, { onSuccess: (told) => setCode(told.code), onError: failed });
    const settle = (id: string, yes: boolean) => {
        setCode(null);
        answer.mutate({ id, yes }, { onError: failed });
    };
    return (
        <Modal show={open} onHide={onClose} centered aria-labelledby="other-devices">
            <Modal.Header closeButton>
                <Modal.Title as="h2" id="other-devices" className="h5">
                    Other devices
                </Modal.Title>
            </Modal.Header>
            <Modal.Body className="other-devices">
                <p className="soft">
                    A phone or tablet on the same network shows your next line, and whether you are recording. It can
                    see nothing else here and change nothing.
                </p>
                {data?.asks && (
                    <div className="device-asks" role="alert">
                        <p className="mb-2">
                            <strong>{data.asks.name}</strong> ({data.asks.network}) has typed the code.
                        </p>
                        <Button onClick={() => settle(data.asks?.id ?? '', true)}>Let it in</Button>{' '}
                        <Button variant="quiet" onClick={() => settle(data.asks?.id ?? '', false)}>
                            Refuse
                        </Button>
                    </div>
                )}
                {data && !data.asks && <Code data={data} code={code} onShow={begin} />}
                {data && data.devices.length > 0 && (
                    <>
                        <h3 className="h6">Let in</h3>
                        <ul className="paired-devices">
                            {data.devices.map((one) => (
                                <li key={one.id}>
                                    <span>
                                        {one.name}{' '}
                                        <span className="soft">
                                            ({one.network}, used {day(one.used_at)})
                                        </span>
                                    </span>
                                    <Button
                                        variant="quiet"
                                        size="sm"
                                        aria-label={`Remove ${one.name}`}
                                        onClick={() => end.mutate(one.id, { onError: failed })}
                                    >
                                        <Icon name="cross" /> Remove
                                    </Button>
                                </li>
                            ))}
                        </ul>
                    </>
                )}
            </Modal.Body>
        </Modal>
    );
}

function Code({ data, code, onShow }: { data: PairedDevices; code: string | null; onShow: () => void }) {
    const address = `${data.address ?? location.origin}/device`;
    const isShown = code !== null && data.shown !== null;
    return (
        <>
            {data.address === null && (
                <p className="device-problem">
                    Other devices cannot reach this server yet: it answers this computer only. Stop it, and start it
                    with <code>bin/serve --lan</code>.
                </p>
            )}
            {data.trust !== null && (
                <p>
                    On a device that has not been here before, open <strong>{data.trust}</strong> first: it says how the
                    device comes to trust this computer.
                </p>
            )}
            {isShown ? (
                <div className="code-shown">
                    <QrCode address={`${address}?code=${code}`} />
                    <div>
                        <p className="mb-1">
                            Scan this, or open <strong>{address}</strong> and type
                        </p>
                        <p className="pairing-code" aria-label={`Code ${code.split('').join(' ')}`}>
                            {code.slice(0, 3)} {code.slice(3)}
                        </p>
                        <p className="soft small mb-0">
                            It works once, for the next {clock((data.shown?.seconds ?? 0) * 1000)}. You are asked before
                            anything is let in.
                        </p>
                    </div>
                </div>
            ) : (
                <p>
                    <Button onClick={onShow}>{code === null ? 'Show a code' : 'Show another code'}</Button>
                    {code !== null && <span className="soft"> The code before is over.</span>}
                </p>
            )}
        </>
    );
}

function QrCode({ address }: { address: string }) {
    const place = useRef<HTMLDivElement>(null);
    useEffect(() => {
        let isGone = false;
        void qrCode(address, `Address of the page for other devices`).then((picture) => {
            if (!isGone) {
                place.current?.replaceChildren(picture);
            }
        });
        return () => {
            isGone = true;
        };
    }, [address]);
    return <div ref={place} className="qr-code" />;
}
