import { useState } from 'react';
import Button from 'react-bootstrap/Button';
import Form from 'react-bootstrap/Form';
import { useNavigate } from 'react-router';
import { may } from '../../api/me';
import type { Member, Members, Role } from '../../api/types';
import { useNotices } from '../Notices';
import { copyText } from '../../lib/copyText';
import { Icon } from '../Icon';
import { day } from '../../lib/time';
import { type Place, useMemberChange, useMembers } from './useMembers';

const roleName: Record<Role, string> = {
    owner: 'Owner',
    presenter: 'Presenter',
    editor: 'Editor',
    reviewer: 'Reviewer',
};

/** Who takes part, as what; for the owner also how others come in. */
export function MembersPanel({ place, called }: { place: Place; called: string }) {
    const { data, error } = useMembers(place);
    if (!data) {
        return error ? <p role="alert">{error.message}</p> : null;
    }
    const owns = may(data, 'own');
    return (
        <section className="members" aria-labelledby="members">
            <h2 id="members">Who takes part</h2>
            {place.kind === 'courses' && <p className="soft">In the course, and so in all its lessons.</p>}
            <ul>
                {data.members.map((one) => (
                    <Row key={one.id} place={place} called={called} member={one} owns={owns} />
                ))}
            </ul>
            {owns && <LetIn place={place} members={data} />}
        </section>
    );
}

function Row({ place, called, member, owns }: { place: Place; called: string; member: Member; owns: boolean }) {
    const change = useMemberChange(place);
    const { say } = useNotices();
    const go = useNavigate();
    const leave = () =>
        change.remove(member.id, () => {
            say(`You have left ${called}.`);
            void go('/');
        });
    const fixed = member.through_course;
    return (
        <li>
            <span className="who">
                <b>{member.name}</b>
                {member.you && ' (you)'}
                <span className="soft">{member.email}</span>
            </span>
            {owns && !fixed && !member.you ? (
                <Form.Select
                    size="sm"
                    aria-label={`Role of ${member.name}`}
                    value={member.role}
                    disabled={change.isPending}
                    onChange={(event) => change.give(member.id, event.target.value as Role)}
                >
                    {Object.entries(roleName).map(([role, name]) => (
                        <option key={role} value={role}>
                            {name}
                        </option>
                    ))}
                </Form.Select>
            ) : (
                <span>
                    {roleName[member.role]}
                    {fixed && <span className="soft"> of the course</span>}
                </span>
            )}
            {!fixed && member.you && (
                <Button variant="quiet" size="sm" disabled={change.isPending} onClick={leave}>
                    Leave
                </Button>
            )}
            {!fixed && owns && !member.you && (
                <Button
                    variant="quiet"
                    size="sm"
                    aria-label={`Remove ${member.name}`}
                    disabled={change.isPending}
                    onClick={() =>
                        change.remove(member.id, () =>
                            say(`${member.name} has been removed.`, () =>
                                change.add(member.email, member.role, () => undefined),
                            ),
                        )
                    }
                >
                    Remove
                </Button>
            )}
        </li>
    );
}

function LetIn({ place, members }: { place: Place; members: Members }) {
    const change = useMemberChange(place);
    const { say } = useNotices();
    const [email, setEmail] = useState('');
    const [role, setRole] = useState<Role>('reviewer');
    const [link, setLink] = useState('');
    return (
        <>
            <h3>Add people</h3>
            <Form
                className="let-in"
                onSubmit={(event) => {
                    event.preventDefault();
                    change.add(email, role, () => setEmail(''));
                }}
            >
                <Form.Select
                    aria-label="Their role"
                    value={role}
                    onChange={(event) => setRole(event.target.value as Role)}
                >
                    {members.roles.map((one) => (
                        <option key={one.role} value={one.role}>
                            {roleName[one.role]}: {one.says}
                        </option>
                    ))}
                </Form.Select>
                <Form.Control
                    type="email"
                    aria-label="E-mail address of someone with an account here"
                    placeholder="E-mail of someone with an account here"
                    required
                    maxLength={200}
                    value={email}
                    onChange={(event) => setEmail(event.target.value)}
                />
                <Button type="submit" disabled={change.isPending}>
                    <Icon name="plus" /> Add
                </Button>
                <Button
                    variant="quiet"
                    disabled={change.isPending}
                    onClick={() =>
                        change.invite(role, (url) => {
                            setLink(url);
                            copyText(url).then(
                                () => say('The link is copied. Send it to one person.'),
                                () => undefined,
                            );
                        })
                    }
                >
                    Create an invitation link
                </Button>
            </Form>
            {link && (
                <p className="invitation-link">
                    <Form.Control
                        readOnly
                        aria-label="Invitation link"
                        value={link}
                        onFocus={(e) => e.target.select()}
                    />
                    <span className="soft">
                        For one person, once. It is shown only now; anyone without an account here can create one with
                        it.
                    </span>
                </p>
            )}
            {members.invitations.length > 0 && (
                <ul aria-label="Open invitations">
                    {members.invitations.map((one) => (
                        <li key={one.id}>
                            <span className="who">
                                Invitation as {roleName[one.role].toLowerCase()}
                                <span className="soft">
                                    created {day(one.made_at)}, valid until {day(one.ends_at)}
                                </span>
                            </span>
                            <Button
                                variant="quiet"
                                size="sm"
                                disabled={change.isPending}
                                onClick={() => change.withdraw(one.id)}
                            >
                                Withdraw
                            </Button>
                        </li>
                    ))}
                </ul>
            )}
        </>
    );
}
