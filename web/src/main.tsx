import { StrictMode } from "react";
import { createRoot } from "react-dom/client";

import "./app/base.css";
import { App } from "./app/App";
import { first } from "./app/first";
import { fonts } from "./app/fonts";
import { plotClient } from "./app/plotClient";

const root = document.getElementById("root");
if (root) {
  void fonts();
  void first(plotClient).then(() =>
    createRoot(root).render(
      <StrictMode>
        <App />
      </StrictMode>,
    ),
  );
}
