namespace ZealousEmber.Store.Saving;

/// <summary>Whose request is being answered, as the audit tells it.</summary>
/// <param name="PersonId">Number of who is signed in; nothing where nobody has an account, and for a logger.</param>
/// <param name="DeviceId">Number of the enrolled device it came from.</param>
public sealed record Writer(int? PersonId, int? DeviceId);

/// <summary>Says who writes.</summary>
public interface IWriters
{
    /// <summary>Whoever asked for what is being done; nothing where the program does it by itself, which is not audited.</summary>
    Writer? Current { get; }
}
