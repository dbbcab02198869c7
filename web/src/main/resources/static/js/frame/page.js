// A page of acts that needs nothing of its own: its view is drawn, its forms are posted.
import { begin, listen } from "./act.js";
import { draw } from "./draw.js";

listen({ show: view => { draw(view); } });
begin();
