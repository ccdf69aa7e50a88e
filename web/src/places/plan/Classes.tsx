import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import { useState } from 'react';
import type { ClassFile, JobFile, Post } from '../../api/gen/types.gen';
import { useWords } from '../../shared/useWords';
import { colour } from '../../theme/tokens';
import { t } from '../../words/words';
import { NumberField } from '../../shared/NumberField';
import { Entry } from './Entry';

interface Props {
  job: JobFile;
  post: Post;
  onChange: (job: JobFile) => void;
}

/** Classes of letters: into which the card goes, what keeps it out, and their limits, which can be changed. */
export function Classes({ job, post, onChange }: Props) {
  const read = useWords();
  const [open, setOpen] = useState<string>();
  const classes = post.classes.map(
    ({ key, title, source, longest_mm, widest_mm, thickest_mm, heaviest_g, bends, even }): ClassFile => ({
      key,
      title,
      source,
      longest_mm,
      widest_mm,
      thickest_mm,
      heaviest_g,
      bends,
      even,
    }),
  );
  const set = (next: ClassFile[]) => onChange({ ...job, post: next });
  const change = (key: string, part: Partial<ClassFile>) =>
    set(classes.map((one) => (one.key === key ? { ...one, source: t('changed by hand'), ...part } : one)));
  return (
    <Box
      component="ul"
      aria-label={t('Classes of letters')}
      sx={{ listStyle: 'none', padding: 0, margin: '12px 0' }}
    >
      {post.classes.map((one) => (
        <Box
          component="li"
          key={one.key}
          sx={{ borderBottom: `1px solid ${colour.hairline}`, padding: '5px 0' }}
        >
          <b>{one.title}</b>{' '}
          <span style={{ color: one.why_not.length ? colour.warn : colour.accent }}>
            {one.why_not.length ? one.why_not.map(read).join(' ') : t('fits')}
          </span>{' '}
          <Button
            sx={{ fontSize: 13.5 }}
            aria-expanded={open === one.key}
            aria-label={t('Limits of {title}', { title: one.title })}
            onClick={() => setOpen(open === one.key ? undefined : one.key)}
          >
            {t('limits')}
          </Button>
          <span style={{ display: 'block', color: colour.quiet, fontSize: 13 }}>{one.source}</span>
          {open === one.key && (
            <Limits
              of={one}
              onChange={(part) => change(one.key, part)}
              onRemove={() => set(classes.filter((each) => each.key !== one.key))}
            />
          )}
        </Box>
      ))}
      <Box component="li" sx={{ display: 'flex', gap: '14px', paddingTop: '4px' }}>
        <Button
          sx={{ fontSize: 13.5 }}
          onClick={() => {
            const taken = new Set(classes.map((one) => one.key));
            let n = classes.length + 1;
            while (taken.has(`class-${n}`)) n += 1;
            const [like] = classes;
            set([
              ...classes,
              {
                ...(like ?? {
                  longest_mm: 245,
                  widest_mm: 165,
                  thickest_mm: 5,
                  heaviest_g: 100,
                  bends: false,
                  even: false,
                }),
                key: `class-${n}`,
                title: t('another class'),
                source: t('changed by hand'),
              },
            ]);
            setOpen(`class-${n}`);
          }}
        >
          {t('Another class')}
        </Button>
        {job.post && (
          <Button sx={{ fontSize: 13.5 }} onClick={() => onChange({ ...job, post: null })}>
            {t('Restore the originals')}
          </Button>
        )}
      </Box>
    </Box>
  );
}

interface LimitsProps {
  of: ClassFile;
  onChange: (part: Partial<ClassFile>) => void;
  onRemove: () => void;
}

const LIMITS = [
  { field: 'longest_mm', name: t('longest side'), kind: 'size', most: 2000 },
  { field: 'widest_mm', name: t('other side'), kind: 'size', most: 2000 },
  { field: 'thickest_mm', name: t('thickness'), kind: 'thickness', most: 200 },
  { field: 'heaviest_g', name: t('weight'), kind: 'number', most: 20_000 },
] as const;

function Limits({ of, onChange, onRemove }: LimitsProps) {
  return (
    <Box
      sx={{ display: 'flex', flexWrap: 'wrap', alignItems: 'baseline', gap: '2px 16px', color: colour.quiet }}
    >
      <Entry
        label={t('Name of {title}', { title: of.title })}
        value={of.title}
        wide={170}
        onCommit={(title) => onChange({ title })}
      />
      {LIMITS.map(({ field, name, kind, most }) => (
        <NumberField
          key={field}
          label={name}
          name={`${of.title}: ${name}`}
          kind={kind}
          {...(kind === 'number' && { ending: 'g' })}
          value={of[field]}
          least={0.1}
          most={most}
          onValue={(value) => onChange({ [field]: value })}
        />
      ))}
      <label style={{ display: 'inline-flex', alignItems: 'center', gap: 6, minHeight: 24 }}>
        <input
          type="checkbox"
          checked={of.bends}
          onChange={(event) => onChange({ bends: event.target.checked })}
          style={{ width: 24, height: 24, margin: 0, accentColor: colour.accent }}
        />
        {t('has to bend')}
      </label>
      <Button sx={{ fontSize: 13.5 }} onClick={onRemove}>
        {t('Remove')}
      </Button>
    </Box>
  );
}
