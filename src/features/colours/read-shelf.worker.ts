import { answerCalls } from "@/workers/calls";
import { readShelf } from "./read-shelf";

answerCalls({ read: readShelf });
