declare module 'regenerator-runtime/runtime.js';
