import type { ReactNode } from 'react';
import { Pressable, View } from 'react-native';
import { Row } from './Row';
import { Words } from './Words';

type PictureChoiceProps<T extends string> = {
  label: string;
  options: readonly { value: T; label: string; picture: ReactNode }[];
  chosen: T | null;
  onChoose: (value: T) => void;
};

/** One of a few that are told apart by sight: each a picture over its name, three in a row on a phone. */
export function PictureChoice<T extends string>({ label, options, chosen, onChoose }: PictureChoiceProps<T>) {
  return (
    <Row role="radiogroup" aria-label={label} className="flex-wrap gap-2">
      {options.map(({ value, label: text, picture }) => {
        const on = value === chosen;
        return (
          <Pressable
            key={value}
            role="radio"
            aria-label={text}
            aria-checked={on}
            onPress={() => onChoose(value)}
            className={`w-[31%] overflow-hidden rounded-md border-4 bg-plate ${on ? 'border-ink' : 'border-edge'}`}
          >
            <View className="items-center justify-center py-1">{picture}</View>
            <View className={`min-h-12 items-center justify-center px-1 ${on ? 'bg-ink' : ''}`}>
              <Words strong={on} className={`text-center leading-tight ${on ? 'text-ground' : 'text-ink'}`}>
                {text}
              </Words>
            </View>
          </Pressable>
        );
      })}
    </Row>
  );
}
