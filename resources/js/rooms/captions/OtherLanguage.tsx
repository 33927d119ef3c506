import { useMutation } from '@tanstack/react-query';
import Form from 'react-bootstrap/Form';
import { api } from '../../api/client';
import { queryClient } from '../../api/queries';
import type { LessonCaptions, TranslationBrought } from '../../api/types';
import { useNotices } from '../../ui/Notices';
import { FilePick } from '../../ui/FilePick';
import { textIn } from './captions';

interface Props {
    lessonId: string;
    captions: LessonCaptions;
    language: string;
    onChoose: (language: string) => void;
}

/** The language that stands beside the film's own, and captions in it brought in from a file. */
export function OtherLanguage({ lessonId, captions, language, onChoose }: Props) {
    const { say, failed } = useNotices();
    const path = `lessons/${lessonId}/translations/${language}`;
    const refresh = () => {
        void queryClient.invalidateQueries({ queryKey: ['exports', lessonId] });
        return queryClient.invalidateQueries({ queryKey: ['captions', lessonId] });
    };
    const undo = useMutation({
        mutationFn: (texts: TranslationBrought['undo']) => api.put<void>(`${path}/all`, { texts }),
        onSuccess: refresh,
        onError: failed,
    });
    const bring = useMutation({
        mutationFn: (file: File) => {
            const form = new FormData();
            form.append('file', file);
            return api.post<TranslationBrought>(`${path}/file`, form);
        },
        onSuccess: async (brought) => {
            await refresh();
            say(`${brought.placed} of ${brought.captions} captions have a text from it.`, () =>
                undo.mutate(brought.undo),
            );
        },
        onError: failed,
    });
    const all = captions.sections.flatMap((section) => section.captions);
    const done = all.filter((one) => textIn(one, language) !== '').length;
    return (
        <div className="other-language">
            <Form.Label htmlFor="other-language" className="mb-0">
                Beside it
            </Form.Label>
            <Form.Select
                id="other-language"
                size="sm"
                value={language}
                onChange={(event) => onChoose(event.target.value)}
            >
                <option value="">no other language</option>
                {Object.entries(captions.languages).map(([code, name]) => (
                    <option key={code} value={code}>
                        {name}
                    </option>
                ))}
            </Form.Select>
            {language && (
                <>
                    <span className="soft times">
                        {done} of {all.length}
                    </span>
                    <label className="btn btn-quiet btn-sm">
                        Bring in a file
                        <FilePick
                            label={`Captions in ${captions.languages[language] ?? language}: WebVTT or SubRip`}
                            accept=".vtt,.srt"
                            onFile={(file) => bring.mutate(file)}
                        />
                    </label>
                </>
            )}
        </div>
    );
}
