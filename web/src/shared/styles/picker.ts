// Lists to choose from under a field, and what was chosen of them.
import '@mantine/core/styles/ScrollArea.layer.css';
import '@mantine/core/styles/CloseButton.layer.css';
import '@mantine/core/styles/Combobox.layer.css';
import '@mantine/core/styles/Pill.layer.css';
import '@mantine/core/styles/PillsInput.layer.css';
