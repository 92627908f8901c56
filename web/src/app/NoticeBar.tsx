import Alert from '@mui/material/Alert';
import Button from '@mui/material/Button';
import Snackbar from '@mui/material/Snackbar';
import { hushed, undo } from '../data/history';
import { useAppDispatch, useAppSelector } from '../data/store';

/** What has just been done, with a way to take it back. */
export function NoticeBar() {
  const notice = useAppSelector((state) => state.history.notice);
  const dispatch = useAppDispatch();
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
          notice?.undo ? (
            <Button
              color="inherit"
              size="small"
              onClick={() => {
                void dispatch(undo());
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
