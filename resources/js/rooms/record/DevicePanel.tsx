import Form from 'react-bootstrap/Form';
import type { useDevices } from './useDevices';

/** Camera and microphone, real and stand-in in the same lists. */
export function DevicePanel({ devices, locked }: { devices: ReturnType<typeof useDevices>; locked: boolean }) {
    const { lists, chosen, choose, problems } = devices;
    return (
        <div className="device-panel">
            <Form.Group controlId="camera">
                <Form.Label>Camera</Form.Label>
                <Form.Select
                    size="sm"
                    disabled={locked}
                    value={chosen.camera ?? ''}
                    onChange={(e) => choose('camera', e.target.value)}
                >
                    {lists.cameras.map((device) => (
                        <option key={device.id} value={device.id}>
                            {device.name}
                        </option>
                    ))}
                </Form.Select>
                {problems.camera && <p className="device-problem">{problems.camera}</p>}
            </Form.Group>
            <Form.Group controlId="microphone">
                <Form.Label>Microphone</Form.Label>
                <Form.Select
                    size="sm"
                    disabled={locked}
                    value={chosen.microphone ?? ''}
                    onChange={(e) => choose('microphone', e.target.value)}
                >
                    {lists.microphones.map((device) => (
                        <option key={device.id} value={device.id}>
                            {device.name}
                        </option>
                    ))}
                </Form.Select>
                {problems.microphone && <p className="device-problem">{problems.microphone}</p>}
            </Form.Group>
        </div>
    );
}
