import type { components } from '$lib/api/schema';

type Schemas = components['schemas'];
export type Live = Schemas['LiveContract'];
export type Run = Schemas['RunContract'];
export type SwitchTurns = Schemas['SwitchesContract'];
export type Log = Schemas['LogContract'];
export type LogLook = Schemas['LogLookResponse'];
export type LogReading = Schemas['LogReading'];
export type LogAsk = Schemas['LogAsk'];
export type LogTaken = Schemas['LogTakenResponse'];
export type Entry = Schemas['EntryContract'];
export type EntryKind = Schemas['EntryKind'];
export type EntryRequest = Schemas['EntryRequest'];
export type Alarm = Schemas['AlarmContract'];
export type RoomKiln = Schemas['RoomKiln'];
export type FiringState = Schemas['FiringState'];
export type Spread = Schemas['PercentilesContract'];
export type Summary = Schemas['FiringSummary'];
