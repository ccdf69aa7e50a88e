import Box from '@mui/material/Box';
import ButtonBase from '@mui/material/ButtonBase';
import { useState } from 'react';
import { Navigate, NavLink, Route, Routes } from 'react-router';
import { BenchHome, BenchPlace } from './places/bench/BenchPlace';
import { SaveLine } from './places/bench/SaveLine';
import { CoachPlace } from './places/coach/CoachPlace';
import { CoachRun } from './places/coach/CoachRun';
import { Tour } from './places/bench/tour/Tour';
import { DataDialog } from './places/keeping/DataDialog';
import { useKeptUnit } from './places/keeping/useKeptUnit';
import { ComparePlace } from './places/logbook/ComparePlace';
import { LogbookPlace } from './places/logbook/LogbookPlace';
import { PlanHome } from './places/plan/PlanHome';
import { PlanPlace } from './places/plan/PlanPlace';
import { WorkPlace } from './places/plan/WorkPlace';
import { GivenPlace } from './places/practice/GivenPlace';
import { PracticePlace } from './places/practice/PracticePlace';
import { PressHome } from './places/press/PressHome';
import { PressRun } from './places/press/PressRun';
import { EffectPlace } from './places/recipes/EffectPlace';
import { OtherPressPlace } from './places/recipes/OtherPressPlace';
import { useRunsFollow } from './places/press/useRunsFollow';
import { RecipesPlace } from './places/recipes/RecipesPlace';
import { SetOutPlace } from './places/setout/SetOutPlace';
import { PhotoPlace } from './places/photo/PhotoPlace';
import { ShelfPlace } from './places/shelf/ShelfPlace';
import { NoticeBar } from './shared/notices';
import { useUnit, type Unit } from './shared/units';
import { FINGER, FINGERS, HAND, TWO_LINES } from './shared/useScreen';
import { colour, type } from './theme/tokens';
import { t } from './words/words';

const PLACES = [
  { to: '/bench', name: t('Bench') },
  { to: '/recipes', name: t('Recipes') },
  { to: '/plan', name: t('Plan') },
  { to: '/press', name: t('At the press') },
  { to: '/logbook', name: t('Logbook') },
  { to: '/coach', name: t('Coach') },
  { to: '/shelf', name: t('Shelf') },
];
const UNITS: Unit[] = ['mm', 'in'];

/** The frame of every place. */
export function App() {
  return (
    <Box sx={{ height: '100%', display: 'flex', flexDirection: 'column', minWidth: 320 }}>
      <TopLine />
      <Box component="main" sx={{ flex: 1, minHeight: 0 }}>
        <Routes>
          <Route path="/bench" element={<BenchHome />} />
          <Route path="/bench/:id" element={<BenchPlace />} />
          <Route path="/recipes" element={<RecipesPlace />} />
          <Route path="/recipes/on-another-press/:id" element={<OtherPressPlace />} />
          <Route path="/recipes/:effect" element={<EffectPlace />} />
          <Route path="/plan" element={<PlanHome />} />
          <Route path="/plan/:id" element={<PlanPlace />} />
          <Route path="/plan/:id/work" element={<WorkPlace />} />
          <Route path="/press" element={<PressHome />} />
          <Route path="/press/:id" element={<PressRun />} />
          <Route path="/logbook" element={<LogbookPlace />} />
          <Route path="/logbook/compared/:one/:other" element={<ComparePlace />} />
          <Route path="/coach" element={<CoachPlace />} />
          <Route path="/coach/practice/given" element={<GivenPlace />} />
          <Route path="/coach/practice/:skill" element={<PracticePlace />} />
          <Route path="/coach/:run" element={<CoachRun />} />
          <Route path="/shelf" element={<ShelfPlace />} />
          <Route path="/shelf/photo" element={<PhotoPlace />} />
          <Route path="/set-out" element={<SetOutPlace />} />
          <Route path="*" element={<Navigate to="/bench" replace />} />
        </Routes>
      </Box>
      <Tour />
      <NoticeBar />
    </Box>
  );
}

function TopLine() {
  const { unit, setUnit } = useUnit();
  const [data, setData] = useState(false);
  useKeptUnit();
  useRunsFollow();
  return (
    <Box
      component="header"
      sx={{
        display: 'flex',
        alignItems: 'center',
        gap: 3,
        minHeight: 44,
        padding: '0 24px',
        [TWO_LINES]: { flexWrap: 'wrap', gap: '0 16px', padding: '6px 24px 0' },
        [HAND]: { padding: '6px 12px 0' },
        borderBottom: `1px solid ${colour.hairline}`,
        flexShrink: 0,
      }}
    >
      <Box
        sx={{
          fontFamily: type.head,
          fontWeight: 800,
          fontSize: 20,
          letterSpacing: '-0.01em',
          [TWO_LINES]: { flex: 1 },
        }}
      >
        {t('Lofty Press')}
      </Box>
      <Box
        component="nav"
        aria-label={t('Places')}
        sx={{
          display: 'flex',
          gap: '22px',
          flex: 1,
          '& a': {
            color: colour.quiet,
            textDecoration: 'none',
            whiteSpace: 'nowrap',
            display: 'inline-flex',
            alignItems: 'center',
          },
          '& a.active': { color: colour.ink, fontWeight: 700 },
          [FINGERS]: { '& a': { minHeight: FINGER, display: 'inline-flex', alignItems: 'center' } },
          [TWO_LINES]: { order: 9, flex: '1 0 100%' },
          [HAND]: {
            justifyContent: 'space-between',
            gap: '0 8px',
            fontSize: 13.5,
            overflowX: 'auto',
            scrollbarWidth: 'none',
            '& a': { minHeight: 30 },
          },
        }}
      >
        {PLACES.map((place) => (
          <NavLink key={place.to} to={place.to}>
            {place.name}
          </NavLink>
        ))}
      </Box>
      <SaveLine />
      <ButtonBase onClick={() => setData(true)} sx={{ fontSize: 14, color: colour.quiet }}>
        {t('Your data')}
      </ButtonBase>
      <DataDialog open={data} onClose={() => setData(false)} />
      <Box role="radiogroup" aria-label={t('Unit of length')} sx={{ display: 'flex', gap: 1 }}>
        {UNITS.map((name) => (
          <ButtonBase
            key={name}
            role="radio"
            aria-checked={unit === name}
            onClick={() => setUnit(name)}
            sx={{
              fontSize: 14,
              color: unit === name ? colour.ink : colour.quiet,
              fontWeight: unit === name ? 700 : 400,
              borderBottom: unit === name ? `1px solid ${colour.ink}` : 0,
            }}
          >
            {name}
          </ButtonBase>
        ))}
      </Box>
    </Box>
  );
}
