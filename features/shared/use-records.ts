import { useMutation, useQuery, useQueryClient, type UseMutationResult } from '@tanstack/react-query';
import type { Bead, Coupon, RigRecord } from '@/core/record/schema';
import { deleteBead, fetchCoupons, fetchRigs, putBead, putCoupon, putRig } from './api';

const RIGS = ['rigs'];
const COUPONS = ['coupons'];

export const useRigs = () => useQuery({ queryKey: RIGS, queryFn: fetchRigs });

/** All coupons with their beads, newest first; a workshop's worth is small enough to hold at once. */
export const useCoupons = () => useQuery({ queryKey: COUPONS, queryFn: fetchCoupons });

/** A write that is safe to send again: ids are made here and the server takes the same write twice. */
function useWrite<Input, Output>(
  write: (input: Input) => Promise<Output>,
  refresh: string[],
): UseMutationResult<Output, Error, Input> {
  const client = useQueryClient();
  return useMutation({
    mutationFn: write,
    retry: 1,
    networkMode: 'always',
    onSuccess: () => client.invalidateQueries({ queryKey: refresh }),
  });
}

export const usePutRig = () => useWrite<RigRecord, RigRecord>(putRig, RIGS);
export const usePutCoupon = () => useWrite<Coupon, Coupon>(putCoupon, COUPONS);
export const usePutBead = () => useWrite<Bead, Bead>(putBead, COUPONS);
export const useDeleteBead = () => useWrite<string, void>(deleteBead, COUPONS);
