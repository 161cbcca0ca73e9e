import { useState } from 'react';
import { View } from 'react-native';
import type { Coupon } from '@/core/record/shapes/record-schema';
import { platform } from '@/platform/ports';
import { Button } from '@/ui/Press';
import { Row } from '@/ui/Row';
import { Heading, Words } from '@/ui/Words';
import { useUnits } from '../../shared/use-habits';
import { DecimalChoice } from '../../shared/DecimalChoice';
import type { Decimal } from '@/core/files/spreadsheet';
import { fileNameOf } from '@/core/files/file-name';
import { couponCsv, couponFile } from './coupon-file';

/** A coupon as a file, for a spreadsheet or for a program. */
export default function CouponFiles({ coupon }: { coupon: Coupon }) {
  const units = useUnits();
  const [decimal, setDecimal] = useState<Decimal>('point');
  const file = fileNameOf(coupon.title);
  return (
    <View role="region" aria-label="As a file" className="gap-2 rounded-md bg-plate p-3">
      <Heading level={2}>As a file</Heading>
      <Words className="text-faint">
        CSV has a line a bead in your units, for a spreadsheet. JSON has every bead as the case it posed, for a program.
      </Words>
      <DecimalChoice chosen={decimal} onChoose={setDecimal} />
      <Row className="gap-2">
        <Button
          className="flex-1"
          label="CSV"
          onPress={() => platform().saveFile(`${file}.csv`, couponCsv(coupon, units, decimal), 'text/csv')}
        />
        <Button
          className="flex-1"
          label="JSON"
          onPress={() =>
            platform().saveFile(`${file}.json`, JSON.stringify(couponFile(coupon), null, 2), 'application/json')
          }
        />
      </Row>
    </View>
  );
}
