import { useMutation, useQuery } from '@tanstack/react-query';
import { api } from './client';
import { queryClient } from './queries';
import type { PairedDevices } from './types';

const KEY = ['paired-devices'];

/** While somebody waits to be let in, a second is long. */
const ASK_MS = 1000;

/** @param watches whether it is asked again and again: a code is shown, and somebody may type it */
export const usePairedDevices = (watches: boolean) =>
    useQuery({
        queryKey: KEY,
        queryFn: () => api.get<PairedDevices>('paired-devices'),
        refetchInterval: watches ? ASK_MS : false,
    });

const told = (all: PairedDevices) => queryClient.setQueryData(KEY, all);

export const useShowCode = () =>
    useMutation({
        mutationFn: () => api.post<PairedDevices & { code: string }>('paired-devices/code'),
        onSuccess: told,
    });

export const useAnswerPairing = () =>
    useMutation({
        mutationFn: ({ id, yes }: { id: string; yes: boolean }) =>
            api.post<PairedDevices>(`pairings/${id}/${yes ? 'accept' : 'refuse'}`),
        onSuccess: told,
        // Somebody else may have answered, or the code may be over: what stands is shown.
        onError: () => queryClient.invalidateQueries({ queryKey: KEY }),
    });

export const useEndDevice = () =>
    useMutation({ mutationFn: (id: string) => api.delete<PairedDevices>(`paired-devices/${id}`), onSuccess: told });
