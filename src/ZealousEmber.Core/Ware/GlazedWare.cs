namespace ZealousEmber.Core.Ware;

/// <summary>
/// What glazed ware stands: fresh glaze that is still wet, and ware that was glazed and fired before. Rates in °C/h, bands in °C. Source: the project's paper
/// on what ware can stand.
/// </summary>
public static class GlazedWare
{
    /// <summary>The rule for fresh glaze, in short.</summary>
    public const string GlazeRule = "≤ 100 °C/h from 60 to 120 °C, or held 20 min at 70–130 °C";

    /// <summary>The rule for oils and binders, in short.</summary>
    public const string OrganicsRule = "≤ 120 °C/h from 150 to 300 °C";

    /// <summary>The rule for ware that was glazed before, in short.</summary>
    public const string StrainedRule = "≤ 150 °C/h from 200 to 250 and from 540 to 610 °C";

    /// <summary>Where fresh glaze dries.</summary>
    public static readonly (double From, double To) GlazeDries = (60, 120);

    /// <summary>A hold here dries it as well.</summary>
    public static readonly (double From, double To) GlazeHold = (70, 130);

    /// <summary>The fastest climb while it dries.</summary>
    public const double GlazeUp = 100;

    /// <summary>The hold that does, minutes.</summary>
    public const double GlazeHoldMinutes = 20;

    /// <summary>Where oils and binders of lustre, decals and overglaze burn off, lid or plug open.</summary>
    public static readonly (double From, double To) Organics = (150, 300);

    /// <summary>The fastest climb while they do.</summary>
    public const double OrganicsUp = 120;

    /// <summary>Where ware under an old glaze is spared on the way up.</summary>
    public static readonly (double From, double To)[] Strained = [(200, 250), (540, 610)];

    /// <summary>The fastest climb there.</summary>
    public const double StrainedUp = 150;

    /// <summary>A glaze firing with a lower top is a refiring, whatever it is called.</summary>
    public const double RefiredBelow = 850;
}
