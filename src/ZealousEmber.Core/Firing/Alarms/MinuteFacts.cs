using ZealousEmber.Core.Firing.Observation;

namespace ZealousEmber.Core.Firing.Alarms;

/// <summary>What is known at a minute, for the alarms to look at. Minutes, °C, °C/h.</summary>
/// <param name="Now">Since the start.</param>
/// <param name="Shown">The display's mean.</param>
/// <param name="First">What it showed at the start.</param>
/// <param name="SigmaMean">Standard deviation of a minute's mean, K.</param>
/// <param name="R5">Least-squares slope of five minutes.</param>
/// <param name="R10">Of ten.</param>
/// <param name="R30">Of thirty; nothing before there are so many.</param>
/// <param name="Share">Mean power share of the minute.</param>
/// <param name="Share30">Of the last half hour.</param>
/// <param name="Told">Share that belongs to r5: 6.5 to 1.4 minutes ago; 0 from 7 minutes after off where none is told.</param>
/// <param name="NoPower">Model's slope with none.</param>
/// <param name="FullPower">Model's slope at full power.</param>
/// <param name="Phase">What the controller does.</param>
/// <param name="SetPoint">What the program asks, never more than its step's target.</param>
/// <param name="AskedRate">How fast that moves.</param>
/// <param name="Goal">The step's target.</param>
/// <param name="SameFor">Minutes the very same number was shown.</param>
/// <param name="DueMeanwhile">How far it should have moved in them, K.</param>
/// <param name="IsFullInferred">At full power, though no share is told.</param>
internal readonly record struct MinuteFacts(
    double Now,
    double Shown,
    double First,
    double SigmaMean,
    double R5,
    double R10,
    double? R30,
    double? Share,
    double? Share30,
    double? Told,
    double NoPower,
    double FullPower,
    LivePhase Phase,
    double? SetPoint,
    double AskedRate,
    double Goal,
    double SameFor,
    double DueMeanwhile,
    bool IsFullInferred
)
{
    /// <summary>Share the kiln must have got for r5.</summary>
    public double Implied => FullPower > NoPower ? (R5 - NoPower) / (FullPower - NoPower) : 0;

    /// <summary>Standard deviation of r5: six minute means.</summary>
    public double SigmaSlope => 14.3 * SigmaMean;

    /// <summary>Of the implied share.</summary>
    public double SigmaShare => FullPower > NoPower ? SigmaSlope / (FullPower - NoPower) : 1;

    /// <summary>Heat is asked for.</summary>
    public bool IsHeating => Phase is LivePhase.Climb or LivePhase.Hold;
}
