import { useQuery } from '@tanstack/react-query';
import { api } from './client';
import type { Me, Right } from './types';

/** Who is signed in, and whether people sign in here at all. */
export const useMe = () => useQuery({ queryKey: ['me'], queryFn: () => api.get<Me>('me'), staleTime: Infinity }).data;

export const may = (place: { may: Right[] }, right: Right): boolean => place.may.includes(right);
