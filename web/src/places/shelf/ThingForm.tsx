import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import InputBase from '@mui/material/InputBase';
import { useEffect, useRef } from 'react';
import {
  Controller,
  FormProvider,
  useForm,
  useFormContext,
  useWatch,
  type FieldValues,
} from 'react-hook-form';

import type { ShelfWrite } from '../../api/gen/types.gen';
import { NumberField } from '../../shared/NumberField';
import { QuietSelect } from '../../shared/QuietSelect';
import { colour } from '../../theme/tokens';
import { valueAt } from './fields';
import { fieldsOf, type Field } from './schema';
import { SCHEMAS } from './things.gen';
import { t } from '../../words/words';

interface Props {
  sort: 'press' | 'item' | 'ink';
  thing: FieldValues;
  name: string;
  /** Paths that are shown elsewhere already. */
  without: readonly string[];
  onChange: (write: ShelfWrite) => void;
}

/** Everything that is known of a thing, by its schema: what people know first, the figures that hardly anybody knows folded away. */
export function ThingForm({ sort, thing, name, without, onChange }: Props) {
  const form = useForm({ values: thing });
  const { subscribe } = form;
  const changed = useRef(onChange);
  useEffect(() => {
    changed.current = onChange;
  });
  useEffect(
    () =>
      subscribe({
        formState: { values: true },
        // what comes from outside is no change by hand
        callback: ({ type, values }) => {
          if (type === 'change') changed.current({ [sort]: values });
        },
      }),
    [subscribe, sort],
  );
  const fields = fieldsOf(SCHEMAS[sort]).filter((field) => !without.includes(field.name));
  return (
    <FormProvider {...form}>
      <Fields fields={fields} of={name} path="" />
      <Folded fields={fields} of={name} onPart={() => onChange({ [sort]: form.getValues() })} />
    </FormProvider>
  );
}

interface FieldsProps {
  fields: Field[];
  of: string;
  path: string;
}

/** Fields that people know, in a line; groups under their own heading. */
function Fields({ fields, of, path }: FieldsProps) {
  const thing = useWatch();
  return fields
    .filter((field) => !field.rare)
    .map((field) => {
      const at = path + field.name;
      if (field.sort !== 'group') return <OneField key={at} field={field} of={of} path={at} />;
      if (!valueAt(thing, at.split('.'))) return null;
      return <Fields key={at} fields={field.fields} of={of} path={`${at}.`} />;
    });
}

/** What hardly anybody knows, with what is believed of it; and the parts that a thing can have and has not. */
function Folded({ fields, of, onPart }: { fields: Field[]; of: string; onPart: () => void }) {
  const { setValue } = useFormContext();
  const thing = useWatch();
  const rare = rareOf(fields, '', thing);
  const parts = partsOf(fields, '', thing);
  if (rare.length === 0 && parts.length === 0) return null;
  return (
    <Box component="details" sx={{ flexBasis: '100%' }}>
      <Box component="summary" sx={{ cursor: 'pointer', color: colour.accent }}>
        {rare.length > 0
          ? t("{count} figures you don't need to know", { count: rare.length })
          : t('Other parts')}
      </Box>
      <Box sx={{ display: 'flex', flexWrap: 'wrap', gap: '4px 22px', padding: '6px 0' }}>
        {rare.map(({ field, path }) => (
          <OneField key={path} field={field} of={of} path={path} />
        ))}
        {parts.map(({ field, path }) => {
          const there = Boolean(valueAt(thing, path.split('.')));
          return (
            <Button
              key={path}
              color="inherit"
              onClick={() => {
                setValue(path, there ? null : field.initial, CHANGED);
                onPart();
              }}
            >
              {there
                ? t('Without {label}', { label: field.label })
                : t('With {label}', { label: field.label })}
            </Button>
          );
        })}
      </Box>
    </Box>
  );
}

const CHANGED = { shouldDirty: true, shouldTouch: true };

interface Placed {
  field: Field;
  path: string;
}

/** Figures that stay folded away, wherever in the thing they are. */
function rareOf(fields: Field[], path: string, thing: unknown): Placed[] {
  return fields.flatMap((field) => {
    const at = path + field.name;
    if (field.sort !== 'group') return field.rare ? [{ field, path: at }] : [];
    return valueAt(thing, at.split('.')) ? rareOf(field.fields, `${at}.`, thing) : [];
  });
}

/** Parts of a part that can be there or not, such as a stock's answer to mist. */
function partsOf(fields: Field[], path: string, thing: unknown): Placed[] {
  return fields.flatMap((field) => {
    const at = path + field.name;
    if (field.sort !== 'group') return [];
    const own = field.optional && path !== '' ? [{ field, path: at }] : [];
    return valueAt(thing, at.split('.')) ? [...own, ...partsOf(field.fields, `${at}.`, thing)] : own;
  });
}

function OneField({ field, of, path }: { field: Field; of: string; path: string }) {
  const { control } = useFormContext();
  const name = t('{figure} of {thing}', { figure: field.label, thing: of });
  return (
    <Controller
      control={control}
      name={path}
      render={({ field: { value, onChange } }) => (
        <Answer field={field} name={name} value={value as unknown} onChange={onChange} />
      )}
    />
  );
}

interface AnswerProps {
  field: Field;
  name: string;
  value: unknown;
  onChange: (value: unknown) => void;
}

function Answer({ field, name, value, onChange }: AnswerProps) {
  const { label, help } = field;
  if (field.sort === 'number')
    return (
      <NumberField<true>
        label={label}
        name={name}
        help={help}
        kind={field.kind}
        value={typeof value === 'number' ? value : null}
        least={field.least}
        most={field.most}
        optional={field.optional as true}
        onValue={onChange}
      />
    );
  if (field.sort === 'choice')
    return (
      <Box component="span" title={help}>
        {label}{' '}
        <QuietSelect
          label={name}
          value={typeof value === 'string' ? value : ''}
          options={{
            ...(field.optional ? { '': 'neither' } : {}),
            ...Object.fromEntries(field.choices.map((choice) => [choice, choice])),
          }}
          onChange={(chosen) => onChange(chosen === '' ? null : chosen)}
        />
      </Box>
    );
  if (field.sort === 'flag')
    return (
      <label title={help}>
        <input
          type="checkbox"
          aria-label={name}
          checked={value === true}
          onChange={(event) => onChange(event.target.checked)}
        />{' '}
        {label}
      </label>
    );
  if (field.sort === 'colour')
    return (
      <label title={help}>
        {label}{' '}
        <input
          key={String(value)}
          type="color"
          aria-label={name}
          defaultValue={typeof value === 'string' ? value : '#e9e2d0'}
          onBlur={(event) => event.target.value !== value && onChange(event.target.value)}
        />
        {field.optional && typeof value === 'string' && (
          <Button color="inherit" onClick={() => onChange(null)}>
            {t('none')}
          </Button>
        )}
      </label>
    );
  return (
    <Box component="label" sx={{ flexBasis: '100%', display: 'flex', gap: 1 }}>
      {label}
      <InputBase
        key={String(value)}
        multiline
        defaultValue={typeof value === 'string' ? value : ''}
        inputProps={{ 'aria-label': name, maxLength: 2000 }}
        onBlur={(event) => event.target.value !== value && onChange(event.target.value)}
        sx={{ flex: 1, fontSize: 13, '& textarea': { borderBottom: `1px dotted ${colour.quiet}` } }}
      />
    </Box>
  );
}
