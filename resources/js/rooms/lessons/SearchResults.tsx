import { keepPreviousData, useQuery } from '@tanstack/react-query';
import { useDeferredValue, useState } from 'react';
import Form from 'react-bootstrap/Form';
import { Link, useSearchParams } from 'react-router';
import { api } from '../../api/client';
import type { Found } from '../../api/types';

const says = { lesson: 'Title', heading: 'Heading', line: 'Script', slide: 'Slide' };

/** What is searched for stands in the address, so that the way back from a result leads to the others. */
export function useFinding() {
    const [params, setParams] = useSearchParams();
    // The address follows: what is typed must not wait for it.
    const [words, setWords] = useState(params.get('find') ?? '');
    const find = (text: string) => {
        setWords(text);
        setParams(text ? { find: text } : {}, { replace: true });
    };
    return { words, find };
}

export function FindField({ words, onChange }: { words: string; onChange: (words: string) => void }) {
    return (
        <Form.Control
            type="search"
            className="find-field"
            aria-label="Find words in all lessons"
            placeholder="Find words in all lessons"
            maxLength={200}
            value={words}
            onChange={(event) => onChange(event.target.value)}
            onKeyDown={(event) => event.key === 'Escape' && onChange('')}
        />
    );
}

/** The places where words were found, each with the way to it. */
export function Findings({ words }: { words: string }) {
    const asked = useDeferredValue(words);
    const { data, error } = useQuery({
        queryKey: ['search', asked],
        queryFn: () => api.get<Found[]>(`search?q=${encodeURIComponent(asked)}`),
        placeholderData: keepPreviousData,
    });
    if (!data) {
        return error ? <p role="status">{error.message}</p> : null;
    }
    return (
        <section aria-label="Found">
            <p className="soft" role="status">
                {data.length === 0
                    ? 'Nothing found. Words are looked for in titles, headings, lines and slides.'
                    : `${data.length === 1 ? 'One place' : `${data.length} places`}, the best first.`}
            </p>
            <ul className="found-list">
                {data.map((one, n) => (
                    <li key={`${one.kind}${one.line_id ?? one.section_id}${n}`}>
                        <Link to={wayTo(one)}>
                            {one.parts.map((part, at) =>
                                part.found ? <mark key={at}>{part.text}</mark> : <span key={at}>{part.text}</span>,
                            )}
                        </Link>
                        <p className="soft mb-0">
                            {says[one.kind]}
                            {one.kind !== 'lesson' && ` · ${one.lesson}`}
                            {one.kind !== 'heading' && one.heading && ` · ${one.heading}`}
                        </p>
                    </li>
                ))}
            </ul>
        </section>
    );
}

function wayTo({ lesson_id, section_id, line_id }: Found): string {
    const line = line_id ? `?line=${line_id}` : '';
    return section_id ? `/lessons/${lesson_id}/script/${section_id}${line}` : `/lessons/${lesson_id}/script`;
}
