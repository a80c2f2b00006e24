namespace ZealousEmber.App.Contracts;

/// <summary>A number learned of a fuel kiln.</summary>
/// <param name="Name">burner, wall, air or eye.</param>
/// <param name="Label">In words.</param>
/// <param name="Mean">% against the kiln as stored; K for the eye.</param>
/// <param name="Sd">In the same.</param>
/// <param name="Says">In a sentence, honest about what cannot be told.</param>
public sealed record FuelLesson(string Name, string Label, double Mean, double Sd, string Says);

/// <summary>A row of the climb-per-setting table; °C.</summary>
public sealed record ClimbSeenContract(double FromCelsius, double PressureBar, double Damper, double PerHour, double Minutes);

/// <summary>What a fuel kiln has taught.</summary>
/// <param name="Firings">How many finished firings stand behind it.</param>
public sealed record FuelLearnedContract(int Firings, IReadOnlyList<FuelLesson> Numbers, IReadOnlyList<ClimbSeenContract> Climbs);
