import Alert from '@mui/material/Alert';
import Button from '@mui/material/Button';
import Snackbar from '@mui/material/Snackbar';
import { undo } from '../data/history';
import { hushed } from '../data/notices';
import { useAppDispatch, useAppSelector } from '../data/store';

/** What has just been done, with a way to take it back. */
export function NoticeBar() {
  const notice = useAppSelector((state) => state.notice);
  const dispatch = useAppDispatch();
  const change = notice?.change ?? null;
  const close = () => {
    dispatch(hushed());
  };
  return (
    <Snackbar
      open={notice !== null}
      autoHideDuration={notice?.tone === 'trouble' ? null : 7000}
      onClose={(_event, reason) => {
        if (reason !== 'clickaway') close();
      }}
      sx={{ mb: { xs: 8, md: 0 } }}
    >
      <Alert
        variant="filled"
        severity={notice?.tone === 'trouble' ? 'error' : 'info'}
        icon={false}
        onClose={close}
        sx={{
          alignItems: 'center',
          bgcolor: notice?.tone === 'trouble' ? undefined : '#1E3F66',
          color: '#fff',
        }}
        action={
          change !== null ? (
            <Button
              color="inherit"
              size="small"
              onClick={() => {
                void dispatch(undo(change));
              }}
            >
              Undo
            </Button>
          ) : undefined
        }
      >
        {notice?.text}
      </Alert>
    </Snackbar>
  );
}
