import { registerSW } from 'virtual:pwa-register';
import { create } from 'zustand';

type AppUpdate = {
  /** True once a newer app has been fetched and waits. */
  readonly waiting: boolean;
  /** True once every file of the app is kept by the browser. */
  readonly offline: boolean;
  /** Loads the newer app. Only when a person says so: work may be open. */
  take(): void;
  later(): void;
};

/** The app's own files, kept by the browser so that neither server nor network is needed. */
export const useAppUpdate = create<AppUpdate>((set) => {
  let take: (reload?: boolean) => Promise<void> = async () => {};
  if (typeof navigator !== 'undefined' && 'serviceWorker' in navigator) {
    take = registerSW({
      onNeedRefresh: () => set({ waiting: true }),
      onOfflineReady: () => set({ offline: true }),
      // Without it the app works as long as its server does.
      onRegisterError: () => {},
    });
  }
  return { waiting: false, offline: false, take: () => void take(true), later: () => set({ waiting: false }) };
});
