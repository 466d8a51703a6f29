/** The audit trail, as server and screen tell each other. */

export interface AuditRow {
  id: number;
  at: string;
  personName: string;
  role: string;
  act: string;
  subject: string;
  details: Record<string, unknown>;
}

export interface AuditPage {
  entries: AuditRow[];
  trail: { isWhole: boolean; rows: number; brokenAt: number | null };
}
