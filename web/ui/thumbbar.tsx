import { Box, GlobalStyles } from '@mui/material';
import { useEffect } from 'react';
import { NavLink, useLocation } from 'react-router';
import { create } from 'zustand';
import { useJobs } from '../state/jobs';
import { useWatch } from '../state/watch';

/** The job that was looked at last. */
const useLast = create<{ job: string | null }>(() => ({ job: null }));
const JOB = /^\/jobs\/([^/]+)/;

/** In the reach of a thumb: the jobs, the clock, the job one is at. */
export default function ThumbBar() {
  const { pathname } = useLocation();
  const here = JOB.exec(pathname)?.[1] ?? null;
  useEffect(() => {
    if (here !== null) useLast.setState({ job: here });
  }, [here]);
  const { watch } = useWatch();
  const last = useLast((s) => s.job);
  const jobs = useJobs((s) => s.jobs);
  const known = [here, last].find((id) => id !== null && jobs[id] !== undefined);
  // A clock that runs is gone to, whichever job's it is.
  const timed = watch && jobs[watch.job] ? watch.job : known;
  const stage = pathname.endsWith('/bench') ? 'brief' : 'verdict';
  return (
    <>
      {/* What is at the page's end is not under it. */}
      <GlobalStyles styles={{ body: { paddingBottom: 52 } }} />
      <Box
        component="nav"
        aria-label="In the thumb’s reach"
        className="no-print"
        sx={{
          position: 'fixed',
          bottom: 0,
          left: 0,
          right: 0,
          zIndex: 'appBar',
          display: 'grid',
          gridAutoFlow: 'column',
          gridAutoColumns: '1fr',
          height: 52,
          bgcolor: 'background.paper',
          borderTop: 1,
          borderColor: 'divider',
          '& a': {
            display: 'flex',
            alignItems: 'center',
            justifyContent: 'center',
            color: 'text.primary',
            textDecoration: 'none',
            fontWeight: 560,
          },
          '& a.active': { color: 'primary.main', fontWeight: 700 },
        }}
      >
        <NavLink to="/jobs" end>
          Jobs
        </NavLink>
        {timed && <NavLink to={`/jobs/${timed}/bench`}>Clock</NavLink>}
        {known && <NavLink to={`/jobs/${known}/${here === known ? stage : 'verdict'}`}>This job</NavLink>}
      </Box>
    </>
  );
}
