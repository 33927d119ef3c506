import type { Command } from '@codemirror/view';
import Dropdown from 'react-bootstrap/Dropdown';
import type { Slide } from '../../api/types';
import { mergeSection, moveSection, splitSection } from '../../page/commands';
import type { CueKind } from '../../lib/scriptSyntax';
import { Icon } from '../../ui/Icon';

interface Props {
    slides: Slide[];
    onCue: (kind: CueKind, value?: string) => void;
    onCommand: (command: Command) => void;
}

const cues: [string, CueKind, string][] = [
    ['Next slide', 'slide', ''],
    ['Pause of two seconds', 'pause', '2 s'],
    ['Note to yourself', 'note', 'not spoken'],
    ['Slide with inset', 'layout', 'slide with inset'],
    ['Slide alone', 'layout', 'slide alone'],
    ['Side by side', 'layout', 'side by side'],
    ['Camera alone', 'camera alone', ''],
    ['Screen', 'screen', 'what is to be seen'],
    ['Board', 'board', ''],
    ['Keys pressed', 'keys', 'Ctrl+S'],
    ['Zoom in', 'zoom', '20 20 50'],
    ['Zoom out', 'zoom', 'out'],
    ['Box round something', 'emphasis', 'box 20 20 30 15'],
    ['Label on the stage', 'label', 'a few words, at 20 20'],
    ['End of emphasis', 'emphasis', 'none'],
    ['Name of the presenter', 'name', ''],
    ['Music begins', 'music', 'Slack water'],
    ['Music ends', 'music', 'none'],
    ['Next step of the slide', 'step', ''],
    ['Background', 'background', 'gradient'],
    ['The silence before it runs faster', 'speed', '4 x'],
    ['Dissolve into the section', 'join', 'dissolve, 0.5 s'],
    ['Target length', 'target', '1:30'],
    ['Opening card', 'card', 'opening, 4 s'],
    ['Divider card', 'card', 'divider, 3 s'],
    ['Closing card', 'card', 'closing, 4 s'],
    ['Quotation', 'card', 'quotation, 6 s'],
    ['Question that counts down', 'card', 'question, 8 s'],
];

/** What can be put where the cursor stands, and what can be done with its section. */
export function InsertMenu({ slides, onCue, onCommand }: Props) {
    return (
        <Dropdown>
            <Dropdown.Toggle variant="quiet" size="sm">
                <Icon name="plus" /> Insert
            </Dropdown.Toggle>
            <Dropdown.Menu className="tall-menu">
                <Dropdown.Item as="button" onClick={() => onCommand(splitSection)}>
                    New section here <kbd>Ctrl Enter</kbd>
                </Dropdown.Item>
                <Dropdown.Item as="button" onClick={() => onCommand(mergeSection)}>
                    Join to the section before
                </Dropdown.Item>
                <Dropdown.Item as="button" onClick={() => onCommand(moveSection(-1))}>
                    Move section up
                </Dropdown.Item>
                <Dropdown.Item as="button" onClick={() => onCommand(moveSection(1))}>
                    Move section down
                </Dropdown.Item>
                <Dropdown.Divider />
                {cues.map(([says, kind, value]) => (
                    <Dropdown.Item as="button" key={says} onClick={() => onCue(kind, value)}>
                        {says}
                    </Dropdown.Item>
                ))}
                {slides.length > 0 && <Dropdown.Divider />}
                {slides.map((slide) => (
                    <Dropdown.Item as="button" key={slide.id} onClick={() => onCue('slide', slide.name)}>
                        Slide: {slide.name}
                    </Dropdown.Item>
                ))}
            </Dropdown.Menu>
        </Dropdown>
    );
}
