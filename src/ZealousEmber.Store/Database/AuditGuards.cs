namespace ZealousEmber.Store.Database;

/// <summary>
/// What keeps the audit as it was written, in the file itself: no row is changed, deleted or put in another's place, whoever has the file open. Words may be
/// blanked and nothing else, since somebody may want to be forgotten; the check finds what was blanked without an erasure.
/// </summary>
internal static class AuditGuards
{
    public const string Raise = """
        CREATE TRIGGER audit_no_update BEFORE UPDATE ON audit BEGIN SELECT RAISE(ABORT, 'the audit is not changed'); END;
        CREATE TRIGGER audit_no_delete BEFORE DELETE ON audit BEGIN SELECT RAISE(ABORT, 'the audit is not changed'); END;
        CREATE TRIGGER audit_no_replace BEFORE INSERT ON audit WHEN EXISTS (SELECT 1 FROM audit WHERE N = NEW.N)
        BEGIN SELECT RAISE(ABORT, 'the audit is not changed'); END;
        CREATE TRIGGER audit_details_no_update BEFORE UPDATE ON audit_details
        WHEN NEW.N <> OLD.N OR NEW.Salt <> OLD.Salt OR NEW.Before IS NOT NULL OR NEW.After IS NOT NULL
        BEGIN SELECT RAISE(ABORT, 'the audit is not changed'); END;
        CREATE TRIGGER audit_details_no_delete BEFORE DELETE ON audit_details BEGIN SELECT RAISE(ABORT, 'the audit is not changed'); END;
        CREATE TRIGGER audit_details_no_replace BEFORE INSERT ON audit_details WHEN EXISTS (SELECT 1 FROM audit_details WHERE N = NEW.N)
        BEGIN SELECT RAISE(ABORT, 'the audit is not changed'); END;
        """;

    /// <summary>For a studio that is taken over whole, with the audit it comes with.</summary>
    public const string Lift = """
        DROP TRIGGER IF EXISTS audit_no_update; DROP TRIGGER IF EXISTS audit_no_delete; DROP TRIGGER IF EXISTS audit_no_replace;
        DROP TRIGGER IF EXISTS audit_details_no_update; DROP TRIGGER IF EXISTS audit_details_no_delete; DROP TRIGGER IF EXISTS audit_details_no_replace;
        """;
}
