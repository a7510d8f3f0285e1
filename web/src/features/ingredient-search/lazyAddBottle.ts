import { lazyComponent } from '@/ui';

export const AddBottle = lazyComponent(async () => (await import('./AddBottle')).AddBottle);
