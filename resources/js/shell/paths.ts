/** The address of a room of a lesson, at a section. */
export const roomPath = (lesson: string, room: string, section?: string) =>
    `/lessons/${lesson}/${room}${section ? `/${section}` : ''}`;
