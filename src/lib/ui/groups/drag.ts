import { draggable, dropTargetForElements } from '@atlaskit/pragmatic-drag-and-drop/element/adapter';
import type { Attachment } from 'svelte/attachments';

const keywordsKey = 'biblionKeywords';

/** Lets an element be dragged for some keywords, asked for when the drag begins. */
export const dragsKeywords =
  (ids: () => readonly string[]): Attachment<HTMLElement> =>
  (element) =>
    draggable({ element, getInitialData: () => ({ [keywordsKey]: ids() }) });

/** Lets keywords be dropped on an element; it is marked while they hover. */
export const takesKeywords =
  (ondrop: (ids: readonly string[]) => void): Attachment<HTMLElement> =>
  (element) =>
    dropTargetForElements({
      element,
      canDrop: ({ source }) => keywordsKey in source.data,
      onDragEnter: () => element.classList.add('drop-here'),
      onDragLeave: () => element.classList.remove('drop-here'),
      onDrop: ({ source }) => {
        element.classList.remove('drop-here');
        ondrop(source.data[keywordsKey] as readonly string[]);
      },
    });
