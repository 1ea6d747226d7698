// Signs that texts of displays may have: the files are fetched only where one is seen.
import '@fontsource/noto-emoji/400.css';
import '@fontsource/noto-sans-symbols-2/400.css';
