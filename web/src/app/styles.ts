// Only what the first sheets use: all styles together are several times as large, and what one lazy sheet alone uses it
// brings along. A component builds on those before it.
import '@mantine/core/styles/baseline.layer.css';
import '@mantine/core/styles/default-css-variables.layer.css';
import '@mantine/core/styles/global.layer.css';
import '@mantine/core/styles/UnstyledButton.layer.css';
import '@mantine/core/styles/VisuallyHidden.layer.css';
import '@mantine/core/styles/Paper.layer.css';
import '@mantine/core/styles/Popover.layer.css';
import '@mantine/core/styles/Loader.layer.css';
import '@mantine/core/styles/Input.layer.css';
import '@mantine/core/styles/Combobox.layer.css';
import '@mantine/core/styles/Button.layer.css';
import '@mantine/core/styles/ActionIcon.layer.css';
import '@mantine/core/styles/FloatingIndicator.layer.css';
import '@mantine/core/styles/Menu.layer.css';
import '@mantine/core/styles/NumberInput.layer.css';
import '@mantine/core/styles/SegmentedControl.layer.css';
import '@mantine/core/styles/Table.layer.css';
import '@mantine/core/styles/Text.layer.css';
import '@mantine/core/styles/Title.layer.css';
import '@mantine/core/styles/Tooltip.layer.css';
import '@mantine/core/styles/Group.layer.css';
