export * from './droppedText';
export * from './format';
export * from './importedFiles';
export * from './numbers';
export * from './people';
export * from './saveFile';
export * from './scales';
export * from './storage';
