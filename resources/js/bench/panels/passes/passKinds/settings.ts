import type { ContentData } from '../../../../api/generated';

/** What a panel that sets one kind of pass is given. */
export interface SettingsProps<Content extends ContentData = ContentData> {
    id: string;
    content: Content;
    disabled: boolean;
}
