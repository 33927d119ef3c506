import { useMutation } from '@tanstack/react-query';
import { useEffect, useRef } from 'react';
import Form from 'react-bootstrap/Form';
import { api } from '../../api/client';
import { queryClient } from '../../api/queries';
import type { CaptionAt } from '../../api/types';
import { useNotices } from '../../ui/Notices';
import { useStored } from '../../ui/useStored';
import { textIn } from './captions';

interface Props {
    lessonId: string;
    language: string;
    /** As it calls itself. */
    name: string;
    caption: CaptionAt;
}

/** The caption in hand in another language. What is typed stays here until the server has it. */
export function TranslationField({ lessonId, language, name, caption }: Props) {
    const { failed } = useNotices();
    const [typed, keep] = useStored(
        `translation/${lessonId}/${language}/${caption.line}/${caption.word}/${caption.was}`,
    );
    const known = textIn(caption, language);
    const save = useMutation({
        scope: { id: `translations/${lessonId}` },
        mutationFn: (text: string) =>
            api.put<void>(`lessons/${lessonId}/translations/${language}`, {
                line: caption.line,
                word: caption.word,
                was: caption.was,
                text,
            }),
        onSuccess: async () => {
            await queryClient.invalidateQueries({ queryKey: ['captions', lessonId] });
            void queryClient.invalidateQueries({ queryKey: ['exports', lessonId] });
            keep('');
        },
        onError: failed,
    });
    const isOther = typed !== '' && typed !== known;
    // Whoever leaves without leaving the field has typed it all the same.
    const left = useRef<(() => void) | null>(null);
    left.current = isOther && !save.isPending ? () => save.mutate(typed) : null;
    useEffect(() => () => left.current?.(), []);
    return (
        <Form.Group controlId="translation" className="mb-0">
            <Form.Label className="mb-1">{name}</Form.Label>
            <Form.Control
                as="textarea"
                rows={2}
                lang={language}
                dir="auto"
                className="caption-text"
                maxLength={400}
                value={typed === '' ? known : typed}
                onChange={(event) => {
                    // Nothing at all takes it away, and is sent at once.
                    keep(event.target.value);
                    if (event.target.value === '' && known !== '') {
                        save.mutate('');
                    }
                }}
                onBlur={() => isOther && save.mutate(typed)}
            />
        </Form.Group>
    );
}
