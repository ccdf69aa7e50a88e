import Box from '@mui/material/Box';
import { useState } from 'react';
import type { Item } from '../api/gen/types.gen';
import { addresses } from '../api/service';

/** Where a thing is shown: its photo, else its relief under a lamp; undefined where neither is there. */
export function lookOf(item: Item): string | undefined {
  const map = item.relief?.map ?? item.blade?.map;
  if (item.picture) return addresses.picture(item.picture);
  return map ? addresses.relief(map) : undefined;
}

interface Props {
  item: Item | undefined;
  width: number;
  height: number;
}

/** A thing as one recognises it, the feed from left to right as everywhere; keeps its place where there is nothing to show. */
export function ToolLook({ item, width, height }: Props) {
  const [failed, setFailed] = useState<string>();
  const look = item && lookOf(item);
  return (
    <Box
      component="span"
      aria-hidden="true"
      sx={{ display: 'inline-block', position: 'relative', width, height, flexShrink: 0 }}
    >
      {look && look !== failed && (
        <Box
          component="img"
          src={look}
          alt=""
          loading="lazy"
          onError={() => setFailed(look)}
          sx={{
            position: 'absolute',
            left: '50%',
            top: '50%',
            width: height,
            height: width,
            objectFit: 'contain',
            mixBlendMode: 'multiply',
            // made with the feed from top to bottom
            transform: 'translate(-50%, -50%) rotate(-90deg)',
          }}
        />
      )}
    </Box>
  );
}
