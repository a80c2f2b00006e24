using ZealousEmber.App.Http;
using ZealousEmber.Store.Saving;

namespace ZealousEmber.App.Services.People;

/// <summary>Tells the audit whose request is being answered.</summary>
internal sealed class RequestWriters(IHttpContextAccessor requests) : IWriters
{
    public Writer? Current => requests.HttpContext is { } http ? new Writer(http.Caller()?.PersonId, http.Caller()?.DeviceId) : null;
}
