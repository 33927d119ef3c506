import { keepPreviousData, useMutation, useQuery } from '@tanstack/react-query';
import { api } from './client';
import { lessonKey, queryClient, refreshLesson } from './queries';
import { openScript } from './scripts';
import type {
    Assembly,
    Corner,
    Course,
    Deck,
    Export,
    InsetSize,
    Layout,
    Lesson,
    LessonSummary,
    LinePicture,
    Section,
    Slide,
    Take,
    Verdict,
} from './types';

export function useLessons() {
    return useQuery({ queryKey: ['lessons'], queryFn: () => api.get<LessonSummary[]>('lessons') });
}

/** A lesson with everything in it; looks again by itself while a take is being listened to. */
export function useLesson(id: string) {
    return useQuery({
        queryKey: lessonKey(id),
        queryFn: () => api.get<Lesson>(`lessons/${id}`),
        refetchInterval: (query) => {
            const takes = query.state.data?.sections.flatMap((section) => section.takes) ?? [];
            if (takes.some((take) => take.state === 'ingesting')) {
                return 500;
            }
            return takes.some((take) => take.state === 'recording') ? 4000 : false;
        },
    });
}

const assemblyOf = (lessonId: string) => ({
    queryKey: ['assembly', lessonId],
    queryFn: () => api.get<Assembly>(`lessons/${lessonId}/assembly`),
});

const exportsOf = (lessonId: string) => ({
    queryKey: ['exports', lessonId],
    queryFn: () => api.get<Export[]>(`lessons/${lessonId}/exports`),
});

const slidesOf = (lessonId: string) => ({
    queryKey: ['slides', lessonId],
    queryFn: () => api.get<Slide[]>(`lessons/${lessonId}/slides`),
});

/** Reads what the rooms of a lesson show, so that each opens also when the server is away. */
export function readAhead(lessonId: string): void {
    for (const query of [assemblyOf(lessonId), exportsOf(lessonId), slidesOf(lessonId)]) {
        void queryClient.prefetchQuery<unknown>(query);
    }
    void openScript(lessonId).catch(() => undefined);
}

export function useAssembly(lessonId: string) {
    return useQuery({
        ...assemblyOf(lessonId),
        refetchInterval: (query) => {
            const plan = query.state.data;
            return plan && plan.rendered < plan.sections ? 2000 : false;
        },
    });
}

const isOpen = (one: Export): boolean => one.state === 'waiting' || one.state === 'running';

/** A lesson's exports, newest first. While one is being made only that one is asked for: the list costs much more. */
export function useExports(lessonId: string) {
    const { queryKey, queryFn } = exportsOf(lessonId);
    const list = useQuery({ queryKey, queryFn });
    const open = list.data?.find(isOpen);
    useQuery({
        queryKey: ['export', open?.id],
        enabled: open !== undefined,
        refetchInterval: 700,
        queryFn: async () => {
            const now = await api.get<Export>(`exports/${open?.id}`);
            queryClient.setQueryData<Export[]>(queryKey, (all) => all?.map((one) => (one.id === now.id ? now : one)));
            if (!isOpen(now)) {
                void queryClient.invalidateQueries({ queryKey });
            }
            return now;
        },
    });
    return list;
}

export function useCourses() {
    return useQuery({ queryKey: ['courses'], queryFn: () => api.get<Course[]>('courses') });
}

/** The lesson's slides, in the order of the deck. */
export function useSlides(lessonId: string) {
    return useQuery(slidesOf(lessonId));
}

/** Files of slides brought in lately; looks again by itself while one is being drawn. */
export function useDecks(lessonId: string) {
    return useQuery({
        queryKey: ['decks', lessonId],
        queryFn: () => api.get<Deck[]>(`lessons/${lessonId}/decks`),
        refetchInterval: (query) =>
            query.state.data?.some((deck) => deck.state === 'waiting' || deck.state === 'running') ? 600 : false,
    });
}

/** What a section shows, line by line, with a camera of this size. */
export function useSectionPicture(
    section: Section,
    revision: number,
    camera: { width?: number; height?: number } | null,
) {
    const query = camera?.width && camera.height ? `?width=${camera.width}&height=${camera.height}` : '';
    return useQuery({
        queryKey: ['picture', section.id, revision, section.layout, section.inset_corner, section.inset_size, query],
        queryFn: () => api.get<LinePicture[]>(`sections/${section.id}/picture${query}`),
        placeholderData: keepPreviousData,
    });
}

/** Runs a change and then reads the lesson, its plan and its exports anew. */
export function useLessonChange<Input>(lessonId: string, change: (input: Input) => Promise<unknown>) {
    return useMutation({
        mutationFn: change,
        onSettled: () => refreshLesson(lessonId),
    });
}

export const giveVerdict = (take: string, verdict: Verdict) => api.patch<Take>(`takes/${take}`, { verdict });

export const changeSection = (
    section: string,
    change: Partial<Pick<Section, 'heading' | 'script'>> & {
        slide_id?: string | null;
        /** Null goes back to the house style's. */
        layout?: Layout | null;
        inset_corner?: Corner | null;
        inset_size?: InsetSize | null;
    },
) => api.patch<Section>(`sections/${section}`, change);
