import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import ButtonBase from '@mui/material/ButtonBase';
import { keepPreviousData, useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { explainVerdictOptions } from '../../api/gen/@tanstack/react-query.gen';
import type { Explanation, Sandwich } from '../../api/gen/types.gen';
import { asSentence } from '../../api/refusal';
import { useEditor } from '../../sandwich/store';
import { Segments } from '../../shared/Segments';
import { useWords } from '../../shared/useWords';
import { colour } from '../../theme/tokens';
import { t } from '../../words/words';
import { WhyBars } from './WhyBars';

const ABOUT = ['verdict', 'sure', 'pressure', 'handle', 'relief', 'crack'] as const;
const DEPTHS = ['do', 'why', 'equation'] as const;

type About = (typeof ABOUT)[number];
type Depth = (typeof DEPTHS)[number];
type Link = Explanation['links'][number];

interface Props {
  sandwich: Sandwich;
  /** What is explained at first. */
  first?: About;
}

/** Asks why the judgement says what it says; touched, it answers link by link. */
export function Why({ sandwich, first = 'verdict' }: Props) {
  const [open, setOpen] = useState(false);
  return (
    <Box>
      <ButtonBase
        onClick={() => setOpen(!open)}
        aria-expanded={open}
        sx={{ fontSize: 14, minHeight: 26, color: colour.accent, fontWeight: 700 }}
      >
        {open ? t('Enough') : t('Why?')}
      </ButtonBase>
      {open && <Answer sandwich={sandwich} first={first} />}
    </Box>
  );
}

/** The answer, as deep as one wants. */
function Answer({ sandwich, first }: Required<Props>) {
  const [about, setAbout] = useState(first);
  const [depth, setDepth] = useState<Depth>('do');
  const found = useQuery({
    ...explainVerdictOptions({ body: sandwich, query: { about } }),
    placeholderData: keepPreviousData,
    staleTime: Infinity,
  });
  return (
    <Box
      data-testid="why"
      sx={{ borderLeft: `3px solid ${colour.hairline}`, padding: '2px 0 4px 12px', margin: '8px 0' }}
    >
      <Box sx={{ display: 'flex', flexWrap: 'wrap', justifyContent: 'space-between', gap: '2px 24px' }}>
        <Segments
          label={t('Explain')}
          value={about}
          options={ABOUT}
          names={{
            verdict: t('the verdict'),
            sure: t('how sure'),
            pressure: t('the pressure'),
            handle: t('the handle'),
            relief: t('the relief'),
            crack: t('cracking'),
          }}
          onChange={setAbout}
        />
        <Segments
          label={t('How deep')}
          value={depth}
          options={DEPTHS}
          names={{ do: t('what to do'), why: t('why'), equation: t('the equation') }}
          onChange={setDepth}
        />
      </Box>
      {found.error && <Box sx={{ color: colour.quiet }}>{asSentence(found.error, t('What'))}</Box>}
      {!found.error && found.data && (
        <Box component="ol" aria-label={t('Why')} sx={{ margin: '6px 0 0', paddingLeft: '20px' }}>
          {found.data.links.map((link) => (
            <OneLink key={link.key} link={link} depth={depth} />
          ))}
        </Box>
      )}
    </Box>
  );
}

function OneLink({ link, depth }: { link: Link; depth: Depth }) {
  const read = useWords();
  const { edit, select } = useEditor.getState();
  return (
    <Box component="li" sx={{ marginBottom: '8px' }}>
      <span>{read(link.says)}</span>
      {depth !== 'do' && <Box sx={{ color: colour.quiet }}>{read(link.why)}</Box>}
      {depth === 'equation' && (
        <Box sx={{ fontSize: 13.5 }}>
          <code>{link.equation}</code> <span style={{ color: colour.quiet }}>{read(link.source)}</span>
        </Box>
      )}
      <WhyBars bars={link.bars} against={link.against} onSelect={select} />
      {depth === 'do' && link.tries.length > 0 && (
        <Box sx={{ display: 'flex', flexWrap: 'wrap', gap: '0 10px', alignItems: 'baseline' }}>
          <span style={{ color: colour.quiet, fontSize: 13.5 }}>{t('Try it:')}</span>
          {link.tries.map((one) => (
            <Button key={one.label.say} onClick={() => edit(one.edits)} sx={{ fontSize: 13.5 }}>
              {read(one.label)}
            </Button>
          ))}
        </Box>
      )}
    </Box>
  );
}
