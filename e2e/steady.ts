import { ElementHandle } from 'puppeteer-core';

/** Frames that something may go on moving before it is clicked all the same. */
const MOST_FRAMES = 600;

/**
 * Waits until an element has come to rest: nothing it stands in is being moved by a transition or an
 * animation that ends, and it is where it was one frame before. A dialog that still slides in takes a click
 * that was aimed at where its button was a moment ago for one beside it.
 */
const atRest = (handle: ElementHandle): Promise<void> =>
  // Nothing in it is named: a runner that keeps names would leave its helper for that behind, outside the
  // page.
  handle.evaluate(async (node, most) => {
    let before = '';
    for (let frames = 0; frames <= most && node.isConnected; frames++) {
      const isMoved = document.getAnimations().some((animation) => {
        const { effect, playState } = animation;
        const target = effect instanceof KeyframeEffect ? effect.target : null;
        const isEndless = effect?.getComputedTiming().iterations === Infinity;
        return playState === 'running' && !isEndless && target !== null && target.contains(node);
      });
      const { x, y, width, height } = (node as Element).getBoundingClientRect();
      const now = [x, y, width, height].join();
      if (!isMoved && now === before) return;
      before = now;
      await new Promise((resolve) => requestAnimationFrame(resolve));
    }
  }, MOST_FRAMES);

// Every click and every grip of these tests goes by these two: a hand aims at what stands still.
const { click, boundingBox } = ElementHandle.prototype;
ElementHandle.prototype.click = async function (...how) {
  await atRest(this as ElementHandle);
  await click.apply(this, how);
};
ElementHandle.prototype.boundingBox = async function () {
  await atRest(this as ElementHandle);
  return boundingBox.apply(this);
};
