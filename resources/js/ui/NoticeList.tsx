import { useQuery } from '@tanstack/react-query';
import Dropdown from 'react-bootstrap/Dropdown';
import { useNavigate } from 'react-router';
import { api } from '../api/client';
import { NOTICES, queryClient } from '../api/queries';
import type { Notices } from '../api/types';
import { day } from '../lib/time';

const againMs = 30_000;

const useNews = (isWanted = true) =>
    useQuery({
        queryKey: NOTICES,
        queryFn: () => api.get<Notices>('notices'),
        refetchInterval: againMs,
        enabled: isWanted,
    }).data;

/** How much of it is new; nothing where nobody signs in. */
export const useUnread = (isWanted: boolean): number => useNews(isWanted)?.unread ?? 0;

/** What others did, for whoever has signed in. Opened, it counts as seen. */
export function NoticeList() {
    const go = useNavigate();
    const data = useNews();
    const newest = data?.notices[0];
    const seen = () => {
        if (newest && data.unread > 0) {
            void api
                .post<Notices>('notices/read', { until: newest.id })
                .then((now) => queryClient.setQueryData(NOTICES, now))
                .catch(() => undefined);
        }
    };
    if (!data) {
        return null;
    }
    return (
        <Dropdown align="end" onToggle={(open) => !open && seen()}>
            <Dropdown.Toggle variant="quiet" size="sm">
                {data.unread > 0 ? `${data.unread} new` : 'Notices'}
            </Dropdown.Toggle>
            <Dropdown.Menu className="notice-list">
                {data.notices.length === 0 && (
                    <Dropdown.ItemText>Nothing yet. What others do in your lessons appears here.</Dropdown.ItemText>
                )}
                {data.notices.map((one) => (
                    <Dropdown.Item key={one.id} as="button" onClick={() => void go(one.path)}>
                        <span className={one.read ? undefined : 'is-new'}>{one.says}</span>
                        <time className="soft" dateTime={one.at}>
                            {day(one.at)}
                        </time>
                    </Dropdown.Item>
                ))}
            </Dropdown.Menu>
        </Dropdown>
    );
}
