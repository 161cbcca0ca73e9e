import { skipToken, useQuery } from '@tanstack/react-query';
import { useMemo, useState } from 'react';
import type { PictureOwner } from '@/core/record/shapes/picture-schema';
import { picturesWith, type ShownPicture } from '@/core/record/pending/pending-pictures';
import type { PictureView } from '@/core/picture/sizes';
import { fileAddressOf, useOutbox } from '@/client/outbox/outbox';
import { platform } from '@/platform/ports';
import { fetchPictures } from './api';
import { picturesKey } from './records-client';
import { makeChange } from './send-changes';
import { known, useStandingChanges, useSubmit, type Known } from './use-records';

/** What a picture is attached to, and among whose pictures it stands. */
export type PictureOf = { owner: PictureOwner; beadIds: readonly string[] };

/**
 * The pictures of a coupon or a weld, in the order they were taken, with those that wait on this device.
 * @param asked whether the server is asked; else only what is known already is told
 */
export function usePictures({ owner, beadIds }: PictureOf, asked = true): Known<ShownPicture[]> {
  const changes = useStandingChanges();
  const couponId = 'couponId' in owner ? owner.couponId : null;
  const weldId = 'weldId' in owner ? owner.weldId : null;
  // The server does not know yet of what waits to be begun.
  const isBegun = changes.some(
    ({ kind, of }) => (kind === 'begin-coupon' && of === couponId) || (kind === 'log-weld' && of === weldId),
  );
  const query = useQuery({
    queryKey: picturesKey(owner),
    queryFn: isBegun || !asked ? skipToken : () => fetchPictures(owner),
  });
  const seen = query.data;
  const isNone = isBegun || !asked || query.error !== null;
  const ids = beadIds.join(' ');
  const data = useMemo(() => {
    // What is not known of the server's is nothing; what waits here is shown all the same.
    if (seen === undefined && !isNone) return undefined;
    const own = new Set(ids.split(' '));
    return picturesWith(
      seen ?? [],
      changes,
      (picture) => (weldId === null ? own.has(picture.beadId ?? '') : picture.weldId === weldId),
      couponId,
    );
  }, [seen, isNone, changes, ids, weldId, couponId]);
  return known(query, data);
}

/** Where the file of a picture is to be had: from the server, or from this device while it waits; null where from neither. */
export function usePictureSource({ id, file }: ShownPicture, size: 'whole' | 'small'): string | null {
  const waits = useOutbox().find(({ change }) => change.of === id && change.kind === 'add-picture');
  if (file !== null) return `/api/pictures/files/${file.hash}/${size}`;
  return waits === undefined ? null : fileAddressOf(waits);
}

type Attached = { beadId: string; weldId: null } | { beadId: null; weldId: string };

/** Attaches photographs to a bead or a weld: whether that is under way, and what went wrong. */
export function useAttach() {
  const { put, busy, problem } = useSubmit();
  const [choosing, setChoosing] = useState(false);
  const [trouble, setTrouble] = useState<string | null>(null);
  /** @returns the id of what was attached; null where nothing was chosen, or it cannot be taken */
  const attach = async (from: 'camera' | 'files', to: Attached, view: PictureView = 'face'): Promise<string | null> => {
    setTrouble(null);
    setChoosing(true);
    try {
      const file = await platform().openPicture(from);
      if (file === null) return null;
      const id = platform().newId();
      const fields = { ...to, view, takenAt: platform().now().toISOString(), note: '' };
      const change = makeChange('add-picture', id, fields, 0);
      return (await put([change], new Map([[change.id, file]]))) ? id : null;
    } catch (error) {
      setTrouble(error instanceof Error ? error.message : String(error));
      return null;
    } finally {
      setChoosing(false);
    }
  };
  return { attach, busy: busy || choosing, problem: problem ?? trouble };
}
