import Button from 'react-bootstrap/Button';
import { EmptyPlace } from '../ui/EmptyPlace';

/** Shown when a page could not be drawn. */
export function Fault() {
    return (
        <EmptyPlace room="Fault" says="This page could not be drawn. Nothing recorded is lost.">
            <Button onClick={() => window.location.reload()}>Reload the page</Button>
        </EmptyPlace>
    );
}
