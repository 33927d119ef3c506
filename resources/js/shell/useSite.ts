import { useMutation, useQuery } from '@tanstack/react-query';
import { api } from '../api/client';
import { queryClient } from '../api/queries';
import type { LessonSite, SiteComment } from '../api/types';
import { useNotices } from '../ui/Notices';

const keyOf = (lessonId: string) => ['site', lessonId];

/** Comments come from others: looked for again while the page is open. */
const AGAIN_MS = 30_000;

/** The lesson on the course site, and what viewers say of it. */
export const useSite = (lessonId: string) =>
    useQuery({
        queryKey: keyOf(lessonId),
        queryFn: () => api.get<LessonSite>(`lessons/${lessonId}/publication`),
        refetchInterval: AGAIN_MS,
    });

/** Comments that nobody has put right or hidden. */
export const openComments = (site: LessonSite | undefined): SiteComment[] =>
    site?.comments.filter((one) => !one.done && !one.hidden) ?? [];

interface SiteSettings {
    password?: string | null;
    ends_on?: string | null;
    withdrawn?: boolean;
    /** Another link; the one before leads nowhere. */
    renew?: boolean;
}

/** Changes of what is published; each answers with all of it. */
export function useSiteChange(lessonId: string) {
    const { failed } = useNotices();
    const save = useMutation({
        scope: { id: `site/${lessonId}` },
        mutationFn: (run: () => Promise<LessonSite>) => run(),
        onSuccess: async (site) => {
            // What was asked for before may be answered only now, and say what was then.
            await queryClient.cancelQueries({ queryKey: keyOf(lessonId) });
            queryClient.setQueryData(keyOf(lessonId), site);
        },
        onError: failed,
    });
    const change = (run: () => Promise<LessonSite>, done?: () => void) => save.mutate(run, { onSuccess: done });
    const path = `lessons/${lessonId}/publication`;
    return {
        isPending: save.isPending,
        publish: (exportId: string, note: string, show: boolean, done?: () => void) =>
            change(() => api.post<LessonSite>(path, { export_id: exportId, note, show }), done),
        settleHeld: (show: boolean, done?: () => void) =>
            change(() => api.post<LessonSite>(`lessons/${lessonId}/held-comments`, { show }), done),
        set: (settings: SiteSettings, done?: () => void) =>
            change(() => api.patch<LessonSite>(path, { ...settings }), done),
        mark: (comment: string, as: { done?: boolean; hidden?: boolean }) =>
            change(() => api.patch<LessonSite>(`comments/${comment}`, as)),
        reply: (comment: string, text: string, done?: () => void) =>
            change(() => api.post<LessonSite>(`comments/${comment}/answers`, { text }), done),
    };
}
