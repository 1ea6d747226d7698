// What opens over the page: drawers and dialogs.
import '@mantine/core/styles/ScrollArea.layer.css';
import '@mantine/core/styles/CloseButton.layer.css';
import '@mantine/core/styles/Overlay.layer.css';
import '@mantine/core/styles/ModalBase.layer.css';
import '@mantine/core/styles/Drawer.layer.css';
import '@mantine/core/styles/Modal.layer.css';
