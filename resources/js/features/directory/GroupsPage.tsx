import { Link } from '@tanstack/react-router';
import { Plus } from 'lucide-react';
import { useState } from 'react';
import { Button } from '@/components/Button';
import { TextField } from '@/components/Field';
import { Page } from '@/components/Page';
import { Empty, Failed, Loading } from '@/components/States';
import { useKeepsCommon, usePerson } from '@/features/session/useSession';
import { GroupCard } from './GroupCard';
import { GroupDialog } from './GroupDialog';
import { RoomsPanel } from './RoomsPanel';
import { useGroups } from './useGroups';

/** The groups of the organisation: everyone sees who is in which, administrators and coordinators change it. */
export function GroupsPage() {
    const groups = useGroups();
    const mayChange = useKeepsCommon();
    const role = usePerson().role;
    const [creating, setCreating] = useState(false);
    const [words, setWords] = useState('');
    if (groups.isPending) return <Loading what="groups" />;
    if (groups.isError) return <Failed error={groups.error} retry={() => void groups.refetch()} />;
    const sought = words.trim().toLowerCase();
    const found = groups.data.filter((each) => [each.name, ...each.people.map((person) => person.name)].some((name) => name.toLowerCase().includes(sought)));
    return (
        <Page
            title="Groups and rooms"
            about={`What is shared with a group is shared with whoever is in it, now and later; whoever is in a group is in the groups that have it.${mayChange ? '' : ' Administrators and coordinators change who is in which.'}`}
            actions={
                mayChange && (
                    <>
                        {role === 'coordinator' && (
                            <Link to="/organisation" className="hit mr-2 underline">
                                Categories of the organisation
                            </Link>
                        )}
                        <Button look="primary" onClick={() => setCreating(true)}>
                            <Plus size={15} aria-hidden="true" /> Make a group
                        </Button>
                    </>
                )
            }
        >
            {groups.data.length === 0 ? (
                <div className="mb-8">
                    <Empty
                        title="No group yet"
                        {...(mayChange
                            ? {
                                  action: (
                                      <Button look="primary" onClick={() => setCreating(true)}>
                                          Make the first group
                                      </Button>
                                  ),
                              }
                            : {})}
                    >
                        Calendars are shared with all who are in a group at once.{mayChange ? '' : ' Administrators and coordinators make them.'}
                    </Empty>
                </div>
            ) : (
                <>
                    <TextField label="Find by group or person" type="search" fieldClassName="mb-6 max-w-72" value={words} onChange={(event) => setWords(event.target.value)} />
                    {found.length === 0 && <p className="text-soft">No group is called that, and nobody in one.</p>}
                    {found.map((group) => (
                        <GroupCard key={group.id} group={group} mayChange={mayChange} />
                    ))}
                </>
            )}
            <RoomsPanel mayChange={mayChange} />
            {creating && <GroupDialog group={null} onClose={() => setCreating(false)} />}
        </Page>
    );
}
