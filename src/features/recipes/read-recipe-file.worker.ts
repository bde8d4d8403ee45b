import { readRecipeFile, type ReadRecipe } from "./read-recipe-file";

const scope = self as unknown as {
  onmessage: ((event: MessageEvent<string>) => void) | null;
  postMessage: (message: ReadRecipe) => void;
};

scope.onmessage = ({ data }) => scope.postMessage(readRecipeFile(data));
