/** The address of a room of a lesson, at a section. */
export const roomPath = (lesson: string, room: string, section?: string) =>
    `/lessons/${lesson}/${room}${section ? `/${section}` : ''}`;

/** The recording room for some lines of a section only. */
export const pickupPath = (lesson: string, section: string, lines: string[]) =>
    `${roomPath(lesson, 'record', section)}?lines=${lines.join(',')}`;
