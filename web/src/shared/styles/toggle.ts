// Boxes and switches with their words.
import '@mantine/core/styles/InlineInput.layer.css';
import '@mantine/core/styles/Checkbox.layer.css';
import '@mantine/core/styles/Switch.layer.css';
