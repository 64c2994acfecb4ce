import { CHANNELS, type Channel } from '../../../../api/generated';
import { Choice } from '../../../../ui/Choice';

const NAMES: Record<Channel, string> = {
    all: 'all channels',
    red: 'red alone',
    green: 'green alone',
    blue: 'blue alone',
};

interface Props {
    value: Channel;
    disabled: boolean;
    onChange: (channel: Channel) => void;
}

/** Which channels an adjustment alters. */
export function ChannelChoice({ value, disabled, onChange }: Props) {
    return (
        <Choice label="Alters" value={value} options={CHANNELS} names={NAMES} disabled={disabled} onChange={onChange} />
    );
}
