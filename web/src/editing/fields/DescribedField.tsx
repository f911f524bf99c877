import type { Field } from '@bogen/core/figure';
import { Check, Choice } from '../../ui/Choice.js';
import { ExpressionField } from '../../ui/ExpressionField.js';
import { WholeField } from '../../ui/WholeField.js';

interface DescribedFieldProps {
  readonly label: string;
  readonly field: Field;
  readonly value: unknown;
  readonly onChange: (value: unknown) => void;
  /** A word to choose, as it is read; signs of the trade are read as they are. */
  readonly wordFor: (choice: string) => string;
}

/** The field of a form for a number, a whole number, a flag or a choice, by its description; nothing for anything else. */
export function DescribedField({ label, field, value, onChange, wordFor }: DescribedFieldProps) {
  switch (field.type) {
    case 'number':
      return <ExpressionField label={label} value={Number(value)} limits={field} onChange={onChange} />;
    case 'whole':
      return (
        <WholeField
          label={label}
          value={Number(value)}
          least={field.least}
          most={field.most}
          is={field.is}
          onChange={onChange}
        />
      );
    case 'choice': {
      const { choices } = field as { readonly choices: readonly (string | number)[] };
      return (
        <Choice
          label={label}
          value={String(value)}
          choices={choices.map(String)}
          name={(choice) => (field.signs ? choice : wordFor(choice))}
          onChange={(next) => onChange(choices.find((choice) => String(choice) === next))}
        />
      );
    }
    case 'flag':
      return <Check label={label} value={value === true} onChange={onChange} />;
    default:
      return null;
  }
}
