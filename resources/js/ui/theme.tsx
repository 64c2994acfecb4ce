const KEY = 'awning-theme';

export function loadTheme(): void {
    document.documentElement.dataset.theme = localStorage.getItem(KEY) === 'dusk' ? 'dusk' : 'day';
}

export function ThemeSwitch({ onChange }: { onChange?: () => void }) {
    return (
        <button
            className="bare quiet"
            title="Switch between the light and the dark surround"
            onClick={() => {
                const next = document.documentElement.dataset.theme === 'dusk' ? 'day' : 'dusk';
                localStorage.setItem(KEY, next);
                loadTheme();
                onChange?.();
            }}
        >
            Day / Dusk
        </button>
    );
}
