import type { ReactNode } from 'react';
import { Dialog, Heading, Modal, ModalOverlay } from 'react-aria-components';
import styled from 'styled-components';
import { Button } from '../theme/bits';

const Veil = styled(ModalOverlay)`
  position: fixed;
  inset: 0;
  background: rgb(20 10 26 / 0.45);
  display: flex;
  justify-content: flex-end;
  z-index: 20;
`;
const Panel = styled(Modal)`
  width: min(620px, 100vw);
  height: 100%;
  background: var(--sheet);
  border-left: 2px solid var(--ink);
  overflow-y: auto;
`;
const Inside = styled(Dialog)`
  padding: 18px 22px 40px;
  &:focus-visible {
    outline: none;
  }
  display: grid;
  gap: 14px;
  align-content: start;
  header {
    display: flex;
    justify-content: space-between;
    gap: 12px;
    align-items: center;
    position: sticky;
    top: 0;
    background: var(--sheet);
    padding: 6px 0;
    z-index: 1;
  }
  h2 {
    font-size: 1.4rem;
  }
`;

export function Drawer({
  title,
  open,
  onClose,
  children,
}: {
  title: string;
  open: boolean;
  onClose: () => void;
  children: ReactNode;
}) {
  return (
    <Veil isOpen={open} onOpenChange={(o) => !o && onClose()} isDismissable>
      <Panel>
        <Inside>
          <header>
            <Heading slot="title" level={2}>
              {title}
            </Heading>
            <Button onPress={onClose}>Close</Button>
          </header>
          {children}
        </Inside>
      </Panel>
    </Veil>
  );
}
