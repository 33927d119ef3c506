import { keepPreviousData, queryOptions, useMutation, useQueries, useQuery } from '@tanstack/react-query';
import { api } from './client';
import { lessonKey, queryClient, refreshLesson } from './queries';
import type {
    Assembly,
    Cleaning,
    Corner,
    Course,
    Deck,
    Export,
    TakeAlignment,
    InsetSize,
    Layout,
    Lesson,
    LessonSummary,
    LinePicture,
    OfferedMusic,
    Meeting,
    Rect,
    Section,
    Slide,
    Take,
    Verdict,
    VerdictGiven,
} from './types';

export function useLessons() {
    return useQuery({ queryKey: ['lessons'], queryFn: () => api.get<LessonSummary[]>('lessons') });
}

/** When to look again whether something else is known of takes, in milliseconds; false when nothing is awaited. */
function lookAgain(takes: Pick<Take, 'state' | 'alignment'>[]): number | false {
    if (takes.some((take) => take.state === 'ingesting')) {
        return 500;
    }
    if (takes.some((take) => take.state === 'ready' && take.alignment === null)) {
        return 2500;
    }
    return takes.some((take) => take.state === 'recording') ? 4000 : false;
}

/** A lesson with its sections; looks again by itself while a take is being listened to. */
export function useLesson(id: string) {
    return useQuery({
        queryKey: lessonKey(id),
        queryFn: () => api.get<Lesson>(`lessons/${id}`),
        refetchInterval: ({ state: { data } }) => lookAgain(data?.sections.flatMap((section) => section.takes) ?? []),
    });
}

// Below the lesson's own key: whatever has the lesson read anew has these read anew as well.
const takesOf = (lessonId: string, sectionId: string) => ({
    queryKey: [...lessonKey(lessonId), 'takes', sectionId],
    queryFn: () => api.get<Take[]>(`sections/${sectionId}/takes`),
});

/** All takes of a section, by number. */
export function useTakes(lessonId: string, sectionId: string | undefined) {
    return useQuery({
        ...takesOf(lessonId, sectionId ?? ''),
        enabled: sectionId !== undefined,
        refetchInterval: ({ state: { data } }) => lookAgain(data ?? []),
    });
}

/**
 * One take of a lesson, when there is one to ask for.
 *
 * @param asks false: only what is known of it already
 */
export function useTake(lessonId: string, takeId: string | undefined, asks = true) {
    return useQuery({
        queryKey: [...lessonKey(lessonId), 'take', takeId],
        queryFn: () => api.get<Take>(`takes/${takeId}`),
        enabled: asks && takeId !== undefined,
    });
}

/** How far the server is with a lesson's takes. When it says something else, another film follows from them. */
export const takesKey = (lesson: Lesson): string =>
    lesson.sections.flatMap(({ takes }) => takes.map((take) => `${take.id} ${take.state} ${take.alignment}`)).join();

const assemblyOf = (lessonId: string, asDraft = false) => ({
    queryKey: asDraft ? ['assembly', lessonId, 'draft'] : ['assembly', lessonId],
    queryFn: () => api.get<Assembly>(`lessons/${lessonId}/assembly${asDraft ? '?draft=1' : ''}`),
});

const exportsOf = (lessonId: string) => ({
    queryKey: ['exports', lessonId],
    queryFn: () => api.get<Export[]>(`lessons/${lessonId}/exports`),
});

const slidesOf = (lessonId: string) => ({
    queryKey: ['slides', lessonId],
    queryFn: () => api.get<Slide[]>(`lessons/${lessonId}/slides`),
});

/**
 * Reads what the rooms of a lesson show, so that each opens also when the server is away.
 *
 * @param sections of which the takes are read: where one is, and where one may go next
 */
export function readAhead(lessonId: string, sections: string[]): void {
    const takes = sections.map((id) => takesOf(lessonId, id));
    for (const query of [assemblyOf(lessonId), exportsOf(lessonId), slidesOf(lessonId), ...takes]) {
        void queryClient.prefetchQuery<unknown>(query);
    }
}

/** @param asDraft a stand-in voice reads what is not recorded yet; it is asked for again until all is read */
export function useAssembly(lessonId: string, asDraft = false) {
    return useQuery({
        ...assemblyOf(lessonId, asDraft),
        refetchInterval: ({ state: { data: plan } }) => (plan && plan.unread > 0 ? 800 : false),
    });
}

/** The same where one looks at what is rendered of it; asked for again until that is all. */
export function useAssemblyRendered(lessonId: string) {
    return useQuery({
        ...assemblyOf(lessonId),
        refetchInterval: ({ state: { data: plan } }) => (plan && plan.rendered < plan.sections ? 2000 : false),
    });
}

type Listened = Pick<Take, 'id' | 'state' | 'alignment' | 'media_url'>;

const heardIn = (take: Listened) =>
    queryOptions({
        queryKey: ['heard', take.id, take.alignment, take.media_url],
        queryFn: () => api.get<TakeAlignment>(`takes/${take.id}/heard`),
        enabled: take.state === 'ready',
        refetchInterval: (query) => (query.state.data?.state === null ? 1000 : false),
    });

/** What was heard in a take; looks again while it is listened to. */
export const useAlignment = (take: Listened) => useQuery(heardIn(take));

/** The same of several takes, in their order; undefined of those of which it is not known yet. */
export const useAlignments = (takes: Listened[]): (TakeAlignment | undefined)[] =>
    useQueries({ queries: takes.map(heardIn) }).map(({ data }) => data);

/** Where takes that follow each other in the film do not go together; other verdicts make other neighbours. */
export function useContinuity(section: Section) {
    const { takes, lines } = section.coverage;
    const looked = section.takes.map((take) => `${take.id}${take.alignment ?? ''}`);
    return useQuery({
        queryKey: ['continuity', section.id, takes, lines.map((line) => line.take), looked],
        queryFn: () => api.get<Meeting[]>(`sections/${section.id}/continuity`),
        enabled: section.coverage.heard,
    });
}

/** The take's voice cleaned in some way; asked for again until it is made. */
export function useCleaned(take: Take, cleaning: Cleaning) {
    const query = new URLSearchParams({
        noise: cleaning.noise,
        hum: cleaning.hum ? '1' : '0',
        low_cut: cleaning.low_cut ? '1' : '0',
    });
    return useQuery({
        queryKey: ['cleaned', take.id, take.media_url, cleaning],
        queryFn: () =>
            api.get<{ ready: boolean; url: string | null; problem: string | null }>(
                `takes/${take.id}/cleaned?${query}`,
            ),
        enabled: take.state === 'ready' && (cleaning.noise !== 'off' || cleaning.hum || cleaning.low_cut),
        refetchInterval: (answer) =>
            answer.state.data?.ready === false ? (answer.state.data.problem ? 20_000 : 700) : false,
    });
}

export const isOpen = (one: Export): boolean => one.state === 'waiting' || one.state === 'running';

/** The sound by itself comes a while after the film is done; films of long ago have none. */
const lacksSound = (one: Export): boolean =>
    one.state === 'done' &&
    Date.now() - Date.parse(one.started_at) < 600_000 &&
    !one.beside.some(({ kind }) => kind === (one.edition.format === 'mp4' ? 'sound.mp3' : 'thumbnail.jpg'));

/** A lesson's exports, newest first. While some are being made only those are asked for: the list costs much more. */
export function useExports(lessonId: string) {
    useOpenExports(lessonId);
    return useQuery({
        ...exportsOf(lessonId),
        refetchInterval: (query) => (query.state.data?.some(lacksSound) ? 3000 : false),
    });
}

/** Those of a lesson's exports that are known and not finished yet, as they go on. */
export function useOpenExports(lessonId: string): Export[] {
    const { queryKey, queryFn } = exportsOf(lessonId);
    const { data = [] } = useQuery({ queryKey, queryFn, enabled: false });
    const open = data.filter(isOpen);
    const ids = open.map((one) => one.id);
    useQuery({
        queryKey: ['export', ...ids],
        enabled: ids.length > 0,
        refetchInterval: 700,
        queryFn: async () => {
            const now = await Promise.all(ids.map((id) => api.get<Export>(`exports/${id}`)));
            const known = new Map(now.map((one) => [one.id, one]));
            queryClient.setQueryData<Export[]>(queryKey, (all) => all?.map((one) => known.get(one.id) ?? one));
            if (!now.every(isOpen)) {
                void queryClient.invalidateQueries({ queryKey });
            }
            return now;
        },
    });
    return open;
}

export function useCourses() {
    return useQuery({ queryKey: ['courses'], queryFn: () => api.get<Course[]>('courses') });
}

/** The lesson's slides, in the order of the deck. */
export function useSlides(lessonId: string) {
    return useQuery(slidesOf(lessonId));
}

const musicOf = (lessonId: string) => ['music', lessonId];

/** The music the lesson can have. */
export const useMusic = (lessonId: string) =>
    useQuery({
        queryKey: musicOf(lessonId),
        queryFn: () => api.get<OfferedMusic[]>(`lessons/${lessonId}/music`),
    });

/** Brings in music; what it gives is all there is then, the new one first. */
export const useBringInMusic = (lessonId: string) =>
    useMutation({
        mutationFn: (file: File) => {
            const form = new FormData();
            form.append('file', file);
            return api.post<OfferedMusic[]>(`lessons/${lessonId}/music`, form);
        },
        onSuccess: (all) => queryClient.setQueryData(musicOf(lessonId), all),
    });

/** Removes music that was brought in, or brings it back. */
export const useMusicRemoval = (lessonId: string) =>
    useMutation({
        mutationFn: ({ id, back }: { id: string; back: boolean }) =>
            back ? api.post(`music/${id}/restore`) : api.delete(`music/${id}`),
        onSuccess: async () => {
            await queryClient.invalidateQueries({ queryKey: musicOf(lessonId) });
            await refreshLesson(lessonId);
        },
    });

/** Files of slides brought in lately; looks again by itself while one is being drawn. */
export function useDecks(lessonId: string) {
    return useQuery({
        queryKey: ['decks', lessonId],
        queryFn: () => api.get<Deck[]>(`lessons/${lessonId}/decks`),
        refetchInterval: (query) =>
            query.state.data?.some((deck) => deck.state === 'waiting' || deck.state === 'running') ? 600 : false,
    });
}

interface Size {
    width?: number;
    height?: number;
}

/** Sizes of camera and screen, and the parts of them that are shown. */
export interface Seen {
    camera: Size | null;
    screen?: Size | null;
    framing?: Rect | null;
    area?: Rect | null;
}

const partOf = ({ x, y, width, height }: Rect) => [x, y, width, height].join(',');

function pictureOf(section: Section, revision: number, { camera, screen, framing, area }: Seen, cues: string[]) {
    const query = new URLSearchParams();
    const size = (of: Size | null | undefined, prefix: string) => {
        if (of?.width && of.height) {
            query.set(`${prefix}width`, String(of.width));
            query.set(`${prefix}height`, String(of.height));
        }
    };
    size(camera, '');
    size(screen, 'screen_');
    if (framing) {
        query.set('framing', partOf(framing));
    }
    if (area) {
        query.set('area', partOf(area));
    }
    cues.forEach((cue) => query.append('cue[]', cue));
    const asked = query.toString();
    return {
        queryKey: ['picture', section.id, revision, section.layout, section.inset_corner, section.inset_size, asked],
        queryFn: () => api.get<LinePicture[]>(`sections/${section.id}/picture${asked && `?${asked}`}`),
    };
}

/**
 * What a section shows, line by line.
 *
 * @param cues given by key, that hold whatever the script says
 */
export function useSectionPicture(section: Section, revision: number, seen: Seen, cues: string[] = []) {
    return useQuery({ ...pictureOf(section, revision, seen, cues), placeholderData: keepPreviousData });
}

export function prefetchPictures(section: Section, revision: number, seen: Seen, cues: string[]): void {
    void queryClient.prefetchQuery(pictureOf(section, revision, seen, cues));
}

/** Runs a change and then reads the lesson, its plan and its exports anew. */
export function useLessonChange<Input, Answer>(lessonId: string, change: (input: Input) => Promise<Answer>) {
    return useMutation({
        // One after the other: what was chosen last is what the server hears last.
        scope: { id: lessonId },
        mutationFn: change,
        onSettled: () => refreshLesson(lessonId),
    });
}

export const giveVerdict = (take: string, verdict: Verdict) => api.patch<VerdictGiven>(`takes/${take}`, { verdict });

/** Brings takes and script back to where they were before a verdict. */
export const undoVerdict = (lessonId: string, undo: VerdictGiven['undo']) =>
    api.put<void>(`lessons/${lessonId}/verdicts`, undo);

export const changeSection = (
    section: string,
    change: Partial<Pick<Section, 'heading' | 'script'>> & {
        slide_id?: string | null;
        /** Null goes back to the house style's. */
        layout?: Layout | null;
        inset_corner?: Corner | null;
        inset_size?: InsetSize | null;
    },
) => api.patch<Omit<Section, 'next'>>(`sections/${section}`, change);
