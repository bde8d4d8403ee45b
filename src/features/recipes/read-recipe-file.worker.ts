import { answerCalls } from "@/workers/calls";
import { readRecipeFile } from "./read-recipe-file";

answerCalls({ read: readRecipeFile });
