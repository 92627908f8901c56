import { mdiClose, mdiTrashCanOutline } from '@mdi/js';
import Alert from '@mui/material/Alert';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import IconButton from '@mui/material/IconButton';
import Typography from '@mui/material/Typography';
import type { ReactNode } from 'react';
import { FormProvider, useFormState } from 'react-hook-form';
import { useHotkeys } from 'react-hotkeys-hook';
import { Link, useNavigate } from 'react-router';
import { Icon } from '../parts/Icon';
import { FootBar } from '../parts/FootBar';
import { Title } from '../parts/Title';
import { useFocusOnOpen } from '../parts/useFocusOnOpen';
import { Differences } from './Differences';
import type { RecordForm } from './useRecordForm';
import type { Noun } from '../data/records';

interface FrameProps<N extends Noun> {
  readonly title: string;
  /** Stands in place of the title, which is then only read out. */
  readonly heading?: ReactNode;
  readonly record: RecordForm<N>;
  /** Where the list is. */
  readonly back: string;
  readonly onDelete?: (() => void) | undefined;
  readonly actions?: ReactNode;
  readonly children: ReactNode;
}

interface SaveBarProps {
  readonly discard: () => void;
  readonly restored: boolean;
  readonly onDelete: (() => void) | undefined;
}

/** Apart, so that a save draws these buttons again and not the whole form. */
function SaveBar({ discard, restored, onDelete }: SaveBarProps) {
  const { isDirty, isSubmitting } = useFormState();
  return (
    <FootBar>
      <Button type="submit" variant="contained" disabled={isSubmitting}>
        Save
      </Button>
      <Button onClick={discard} disabled={!isDirty && !restored}>
        Discard changes
      </Button>
      <Box sx={{ flex: 1 }} />
      {onDelete && (
        <Button color="error" startIcon={<Icon path={mdiTrashCanOutline} />} onClick={onDelete}>
          Delete
        </Button>
      )}
    </FootBar>
  );
}

/** A record's form beside its list: title, fields, what went wrong, save and close. */
export function RecordFrame<N extends Noun>({
  title,
  heading,
  record,
  back,
  onDelete,
  actions,
  children,
}: FrameProps<N>) {
  const { form, save, trouble, theirs, keepMine, takeTheirs, restored, discard } = record;
  const navigate = useNavigate();
  const top = useFocusOnOpen<HTMLDivElement>();
  useHotkeys('mod+enter', () => void save(), { enableOnFormTags: true, preventDefault: true });
  useHotkeys('esc', () => void navigate(back), {
    enableOnFormTags: ['INPUT', 'TEXTAREA'],
    ignoreEventWhen: (event) => event.defaultPrevented,
  });
  return (
    <FormProvider {...form}>
      <Title of={title} />
      <Box
        component="form"
        noValidate
        aria-label={title}
        onSubmit={(event) => {
          event.preventDefault();
          void save();
        }}
        sx={{ display: 'grid', gap: 2, minWidth: 0 }}
      >
        <Box sx={{ display: 'flex', alignItems: 'flex-start', gap: 1 }}>
          <Box ref={top} tabIndex={-1} sx={{ flex: 1, outline: 'none' }}>
            {heading ?? (
              <Typography variant="h2" sx={{ typography: 'title' }}>
                {title}
              </Typography>
            )}
          </Box>
          {actions}
          <IconButton component={Link} to={back} aria-label="Close">
            <Icon path={mdiClose} />
          </IconButton>
        </Box>
        {restored && (
          <Alert
            severity="info"
            action={
              <Button color="inherit" size="small" onClick={discard}>
                Discard it
              </Button>
            }
          >
            Unsaved typing from before is here again.
          </Alert>
        )}
        {trouble && !theirs && <Alert severity="error">{trouble}</Alert>}
        {theirs && (
          <Alert
            severity="warning"
            action={
              <Box sx={{ display: 'flex', flexDirection: 'column', gap: 0.5 }}>
                <Button color="inherit" size="small" variant="outlined" onClick={() => void keepMine()}>
                  Save mine over it
                </Button>
                <Button color="inherit" size="small" onClick={takeTheirs}>
                  Take theirs
                </Button>
              </Box>
            }
          >
            {trouble}
            <Differences mine={form.getValues()} theirs={theirs} />
          </Alert>
        )}
        {children}
        <SaveBar discard={discard} restored={restored} onDelete={onDelete} />
      </Box>
    </FormProvider>
  );
}
