import { lazy } from 'react';

const loads = {
    script: () => import('../rooms/script/ScriptRoom'),
    record: () => import('../rooms/record/RecordRoom'),
    review: () => import('../rooms/review/ReviewRoom'),
    finish: () => import('../rooms/finish/FinishRoom'),
    handover: () => import('../rooms/export/ExportRoom'),
    captions: () => import('../rooms/captions/CaptionsRoom'),
    people: () => import('../rooms/people/PeopleRoom'),
};

export const ScriptRoom = lazy(loads.script);
export const RecordRoom = lazy(loads.record);
export const ReviewRoom = lazy(loads.review);
export const FinishRoom = lazy(loads.finish);
export const HandOverRoom = lazy(loads.handover);
export const CaptionsRoom = lazy(loads.captions);
export const PeopleRoom = lazy(loads.people);

/** Brings the code of every room once the first one is there, so that they open also when the server is away. */
export function loadRooms(): void {
    Object.values(loads).forEach((load) => void load().catch(() => undefined));
}
