import Form from 'react-bootstrap/Form';
import { setup } from '../../api/setup';

/** All frame sizes, by shape. */
export function FrameSelect({
    id,
    value,
    onChange,
}: {
    id: string;
    value: string;
    onChange: (width: number, height: number) => void;
}) {
    return (
        <Form.Select
            id={id}
            size="sm"
            value={value}
            onChange={(event) => {
                const [width, height] = event.target.value.split('x').map(Number);
                onChange(width ?? 1920, height ?? 1080);
            }}
        >
            {Object.entries(setup.frames).map(([shape, frames]) => (
                <optgroup key={shape} label={shape}>
                    {frames.map(([width, height]) => (
                        <option key={width} value={`${width}x${height}`}>
                            {width} x {height}
                        </option>
                    ))}
                </optgroup>
            ))}
        </Form.Select>
    );
}
