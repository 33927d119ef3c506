import { useMutation, useQuery } from '@tanstack/react-query';
import { api } from '../../api/client';
import { queryClient } from '../../api/queries';
import type { Members, Role } from '../../api/types';
import { useNotices } from '../Notices';

/** A lesson or a course. */
export interface Place {
    kind: 'lessons' | 'courses';
    id: string;
}

const keyOf = (place: Place) => ['members', place.id];

export const useMembers = (place: Place) =>
    useQuery({ queryKey: keyOf(place), queryFn: () => api.get<Members>(`${place.kind}/${place.id}/members`) });

/** Changes of who takes part; each answers with all of it, or with nothing when one has left. */
export function useMemberChange(place: Place) {
    const { failed } = useNotices();
    const save = useMutation({
        scope: { id: `members/${place.id}` },
        mutationFn: (run: () => Promise<Members | undefined>) => run(),
        onSuccess: async (members) => {
            await queryClient.cancelQueries({ queryKey: keyOf(place) });
            if (members) {
                queryClient.setQueryData(keyOf(place), members);
            }
            void queryClient.invalidateQueries({ queryKey: ['history', place.id] });
        },
        onError: failed,
    });
    const path = `${place.kind}/${place.id}`;
    return {
        isPending: save.isPending,
        add: (email: string, role: Role, done: () => void) =>
            save.mutate(() => api.post<Members>(`${path}/members`, { email, role }), { onSuccess: done }),
        give: (id: string, role: Role) => save.mutate(() => api.patch<Members>(`memberships/${id}`, { role })),
        remove: (id: string, done?: () => void) =>
            save.mutate(() => api.delete<Members | undefined>(`memberships/${id}`), { onSuccess: done }),
        invite: (role: Role, done: (url: string) => void) =>
            save.mutate(async () => {
                const made = await api.post<Members & { url: string }>(`${path}/invitations`, { role });
                done(made.url);
                return made;
            }),
        withdraw: (id: string) => save.mutate(() => api.delete<Members>(`invitations/${id}`)),
    };
}
