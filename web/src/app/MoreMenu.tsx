import { Menu, MenuItem } from "@mui/material";

import { useGo } from "../parts/shownDay";
import { nodes } from "./areas";

interface Props {
  anchor: HTMLElement;
  onClose: () => void;
  open: { help: () => void; find: () => void };
}

/** MoreMenu is what a narrow cane has no room for. */
export function MoreMenu({ anchor, onClose, open }: Props) {
  const go = useGo();
  const then = (act: () => void) => () => {
    onClose();
    act();
  };
  return (
    <Menu anchorEl={anchor} open onClose={onClose}>
      <MenuItem onClick={then(open.find)}>Find anything</MenuItem>
      {nodes
        .filter((node) => !node.outdoors)
        .map((node) => (
          <MenuItem key={node.path} onClick={then(() => void go(node.path))}>
            {node.name}
          </MenuItem>
        ))}
      <MenuItem onClick={then(open.help)}>Keys</MenuItem>
    </Menu>
  );
}
