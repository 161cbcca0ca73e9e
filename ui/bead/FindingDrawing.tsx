import type { Drawing } from '@/core/bead/appearance';
import { BeadDrawing } from './BeadDrawing';
import { GunDrawing } from './GunDrawing';
import { SoundDrawing } from './SoundDrawing';

/** A finding as a picture: bead, sound or gun, whichever shows it. */
export function FindingDrawing({ drawing, height = 56 }: { drawing: Drawing; height?: number }) {
  if (drawing.view === 'sound') return <SoundDrawing sound={drawing.sound} height={height} />;
  if (drawing.view === 'gun') return <GunDrawing gun={drawing.gun} height={height} />;
  return <BeadDrawing bead={drawing.bead} view={drawing.view} height={height} />;
}
